# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # Whether the client's side sees how its own sign-off goes.
      class ShareFigures < Act
        opens :client, "share_figures", locks: :client

        def call(shared:)
          return if workspace[:figures_shared] == shared

          environment.db[:workspaces].where(id: member.workspace_id).update(figures_shared: shared)
          record(shared ? "figures_shared" : "figures_kept", facts: {})
          announce("settings", ids: [])
        end
      end
    end
  end
end
