# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Which posts a member sees whose part is limited to channels: those on one of these channels, those without a channel,
      # and those they have a task for; of showings, those on these channels. The one place where that is said.
      module Visible
        module_function

        # @param dataset [Sequel::Dataset] of posts
        def narrow(scope, dataset)
          scope.limits.reduce(dataset) { |posts, (workspace_id, channel_ids)| posts.exclude(hidden(scope, workspace_id, channel_ids)) }
        end

        # @param dataset [Sequel::Dataset] of showings
        def showings(scope, dataset)
          scope.limits.reduce(dataset) do |found, (workspace_id, channel_ids)|
            found.exclude(Sequel.&({ Sequel[:showings][:workspace_id] => workspace_id }, ~Sequel.expr(Sequel[:showings][:channel_id] => channel_ids)))
          end
        end

        def hidden(scope, workspace_id, channel_ids)
          on = scope.db[:adaptations].where(workspace_id: Sequel[:posts][:workspace_id], post_id: Sequel[:posts][:id], removed_at: nil)
          tasks = scope.db[:tasks].where(workspace_id: Sequel[:posts][:workspace_id], post_id: Sequel[:posts][:id], person_id: scope.person_id)
          Sequel.&({ Sequel[:posts][:workspace_id] => workspace_id }, on.select(1).exists, ~on.where(channel_id: channel_ids).select(1).exists,
            ~tasks.select(1).exists)
        end
      end
    end
  end
end
