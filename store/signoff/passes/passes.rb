# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # The links that were given to people of the client.
      module Passes
        COLUMNS = [
          Sequel[:guest_passes][:id],
          :person_id,
          :ask_id,
          :made_at,
          :expires_at,
          :asked_at,
          Sequel[:route_steps][:name].as(:step)
        ].freeze
        private_constant :COLUMNS

        module_function

        # @param scope [Scope]
        # @param now [Time]
        # @return [Array<Hash>] those that work, the newest first, with their :devices, when one :opened_at last, and
        #   how many :posts they show
        def working(scope, now, limit)
          scope
            .rows(:guest_passes)
            .where(revoked_at: nil)
            .where(Sequel[:guest_passes][:expires_at] > now)
            .join(:asks, workspace_id: :workspace_id, id: :ask_id)
            .join(:route_steps, workspace_id: Sequel[:asks][:workspace_id], id: :step_id)
            .reverse(:made_at, Sequel[:guest_passes][:id])
            .limit(limit)
            .select(*COLUMNS, *counted(scope))
            .all
        end

        def counted(scope)
          own = Sequel[:guest_passes]
          visits = scope.db[:guest_visits].where(workspace_id: own[:workspace_id], pass_id: own[:id])
          lines = scope.db[:ask_lines].where(workspace_id: own[:workspace_id], ask_id: own[:ask_id])
          [
            visits.select { count.function.* }.as(:devices),
            visits.select { max(:opened_at) }.as(:opened_at),
            lines.select { count.function.* }.as(:posts)
          ]
        end
        private_class_method :counted
      end
    end
  end
end
