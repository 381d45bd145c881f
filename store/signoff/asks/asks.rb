# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # Asks as a list, and where some of them must be looked at.
      module Asks
        module_function

        # @param scope [Scope]
        # @return [Array<Hash>] what somebody was asked, the newest first, each with how many posts (:count)
        def of_person(scope, person_id, limit)
          asked = scope.rows(:ask_people).where(person_id: person_id).select(:ask_id)
          scope
            .rows(:asks)
            .where(Sequel[:asks][:id] => asked)
            .join(scope.rows(:ask_lines).group_and_count(:ask_id).as(:lines), ask_id: Sequel[:asks][:id])
            .reverse(:asked_at, Sequel[:asks][:id])
            .limit(limit)
            .select(Sequel[:asks][:id], :asked_by, :asked_at, :due_at, :withdrawn_at, :count, :message)
            .all
        end

        # @param db [Sequel::Database] of our own process
        # @param now [Time]
        # @return [Array<String>] ids of the workspaces where somebody has not answered who is to be told by now
        def to_remind(db, now)
          open = db[:ask_lines].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id])
          db[:asks]
            .where(withdrawn_at: nil, leads_told_at: nil)
            .where { remind_at <= now }
            .where(open.where(ended_at: nil).select(1).exists)
            .join(:workspaces, { id: :workspace_id, archived_at: nil, deleted_at: nil })
            .distinct
            .select_map(Sequel[:asks][:workspace_id])
        end
      end
    end
  end
end
