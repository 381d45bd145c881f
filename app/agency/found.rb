# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # Founds the one agency of an installation, with the roles that ship.
      module Found
        module_function

        # Runs as the owner role: the web role may make no agency.
        # @return [String] the agency's id
        def call(owner_db, now:, name:, zone:)
          Core::Plan::WallTime.timezone(zone)
          id = Core::Uuid.v7(now)
          owner_db.transaction do
            owner_db[:agencies].insert(
              id: id,
              name: Core::Posts::Text.clean(name, field: "name", limit: Core::Lengths::TITLE),
              zone: zone,
              created_at: now
            )
            Core::Permissions::Abilities::PRESETS.each do |role, (side, abilities)|
              owner_db[:roles].insert(
                id: Core::Uuid.v7(now),
                agency_id: id,
                name: role,
                side: side,
                abilities: Store::Database.texts(abilities),
                is_preset: true
              )
            end
          end
          id
        end
      end
    end
  end
end
