# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Pages of links that people asked to have read, and what was found there. Kept for a day.
      module LinkReadings
        KEPT = 86_400 # seconds
        PATIENCE = 60 # seconds

        module_function

        # Asked twice while it is still read, it is one reading.
        # @return [String] id
        def ask(scope, id, address, picture, now)
          row = {
            workspace_id: scope.workspace_id,
            id: id,
            person_id: scope.person_id,
            address: address,
            picture: picture,
            asked_at: now
          }
          made = scope.db[:link_readings].insert_conflict.returning(:id).insert(row).first
          made ? made[:id] : waiting(scope).where(address: address, picture: picture).get(:id)
        end

        # What this person waits for.
        def waiting(scope)
          scope.rows(:link_readings).where(person_id: scope.person_id, read_at: nil)
        end

        # Of that, what was asked so lately that it is still being read; anything older, its job has given up on.
        def under_way(scope, now)
          waiting(scope).where { asked_at > now - PATIENCE }
        end

        # @param found [Hash] JSON-ready
        def keep(scope, id, state, found, now)
          scope
            .rows(:link_readings)
            .where(id: id, read_at: nil)
            .update(read_at: now, state: state, found: Database.jsonb(found))
          scope.db[:link_readings].where { asked_at < now - KEPT }.delete
        end
      end
    end
  end
end
