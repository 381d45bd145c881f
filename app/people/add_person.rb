# frozen_string_literal: true

require "argon2"

module AskFirst
  module App
    module People
      # Adds a person to the installation. With a password they can sign in; without one they answer by guest pass.
      module AddPerson
        COST = { t_cost: 2, m_cost: 16 }.freeze

        module_function

        # @return [String] the person's id
        def call(environment, agency_id:, name:, email:, zone:, password: nil, owner: false, cost: COST)
          id = Core::Uuid.v7(environment.now)
          environment.db.transaction do
            environment.db[:people].insert(
              id: id,
              agency_id: agency_id,
              name: name(name),
              email: email,
              zone: zone,
              is_owner: owner,
              created_at: environment.now
            )
            if password
              environment.db[:account_password_hashes].insert(
                id: id,
                password_hash: Argon2::Password.new(**cost).create(password)
              )
            end
          end
          id
        rescue Store::Failures::Taken
          raise Core::Conflict.new(
                  "known_address",
                  "Somebody with this address is known already.",
                  field: "email",
                  way_on: "Invite them as they are."
                )
        end

        def name(value)
          text = Core::Posts::Text.line(value, field: "name", limit: Core::Lengths::TITLE)
          return text unless text.empty?

          raise Core::Invalid.new(
                  "name_missing",
                  "Your name is missing.",
                  field: "name",
                  way_on: "Type it as colleagues know it."
                )
        end
      end
    end
  end
end
