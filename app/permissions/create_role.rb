# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # Makes a role of the agency's own.
      class CreateRole < RoleChange
        # @return [String] the role's id
        def call(name:, side:, abilities:)
          require_ability!("agency_own")
          unless %w[agency client].include?(side)
            raise Core::Invalid.new("bad_side", "A role is of the agency's side or the client's.", field: "side")
          end

          clean = name(name)
          held = abilities(abilities, side)
          raise taken if Store::Named.called(db[:roles].where(agency_id: person.agency_id), clean).any?

          id = new_id
          db[:roles].insert(
            id: id,
            agency_id: person.agency_id,
            name: clean,
            side: side,
            abilities: Store::Database.texts(held),
            changed_by: person.person_id,
            changed_at: now
          )
          record("role_made", name: clean, side: side, abilities: held)
          id
        end
      end
    end
  end
end
