# frozen_string_literal: true

module AskFirst
  module Store
    # Locks, always taken in one order: agency, workspace, channel, post. An act that can change a verdict locks its
    # narrowest gate for update; the dispatcher locks all four for share while it checks and marks a showing as sending.
    module Gates
      module_function

      # @param post_ids [Array<String>] sorted here, so that two acts over several posts cannot wait for each other
      def for_posts(scope, post_ids)
        scope.rows(:posts).where(id: post_ids).order(:id).for_update.select_map(:id)
      end

      def for_channel(scope, channel_id)
        scope.rows(:channels).where(id: channel_id).for_update.select_map(:id)
      end

      def for_workspace(scope)
        scope.db[:workspaces].where(id: scope.workspace_id).for_update.select_map(:id)
      end

      # @param moves [Boolean] whether the act itself moves the post on: two that both share its gate would wait for each other
      def for_sending(scope, channel_id:, post_id:, moves: false)
        db = scope.db
        agency_id = db[:workspaces].where(id: scope.workspace_id).get(:agency_id)
        db[:agencies].where(id: agency_id).lock_style("FOR SHARE").get(:id)
        db[:workspaces].where(id: scope.workspace_id).lock_style("FOR SHARE").get(:id)
        scope.rows(:channels).where(id: channel_id).lock_style("FOR SHARE").get(:id)
        scope.rows(:posts).where(id: post_id).lock_style(moves ? "FOR UPDATE" : "FOR SHARE").get(:id)
      end
    end
  end
end
