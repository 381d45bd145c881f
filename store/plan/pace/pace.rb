# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # The pace that is wanted of a client's channels.
      module Pace
        module_function

        # @param scope [Scope] of one workspace
        # @return [Core::Plan::PaceLimits] the usual ones where nobody has said others
        def of(scope)
          row = scope.rows(:pace_limits).first
          row ? Core::Plan::PaceLimits.new(**row.slice(*Core::Plan::PaceLimits.members)) : Core::Plan::PaceLimits::USUAL
        end

        def keep(scope, limits)
          scope.db[:pace_limits].insert_conflict(target: :workspace_id, update: limits.to_h).insert(
            limits.to_h.merge(workspace_id: scope.workspace_id)
          )
        end
      end
    end
  end
end
