# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # An owner forgets somebody's wrong tries to sign in, so that they need not wait.
      class LetIn < AgencyAct
        def call(person_id:)
          require_ability!("agency_own")
          row =
            Core::Uuid::FORMAT.match?(person_id.to_s) &&
              db[:people].where(id: person_id, agency_id: person.agency_id).first
          raise Core::NotFound, "This person" unless row

          Store::People::SignInTries.forget(db, App::People::SignInName.digest(environment, row[:email]))
          record("let_in", name: row[:name])
        end
      end
    end
  end
end
