# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # How many PINs were sent to a person of a client, and how many wrong ones came.
      module Pins
        NONE = { mails: 0, mailed_at: nil, wrong: 0, wrong_at: nil }.freeze

        module_function

        # Locks the count until the end of the transaction, so that two tries at once count as two.
        # @param scope [Scope] of the client
        # @param visit_id [String]
        # @return [Hash] person_id:, mails:, mailed_at:, wrong:, wrong_at:
        def of_visit(scope, visit_id)
          passes = scope.rows(:guest_visits).where(id: visit_id).select(:pass_id)
          person = scope.rows(:guest_passes).where(id: passes).get(:person_id)
          key = { workspace_id: scope.workspace_id, person_id: person }
          scope.db[:guest_pins].insert_conflict.insert(key)
          NONE.merge(scope.db[:guest_pins].where(key).for_update.first)
        end

        def keep(scope, person_id, **count)
          scope.db[:guest_pins].where(workspace_id: scope.workspace_id, person_id: person_id).update(count)
        end
      end
    end
  end
end
