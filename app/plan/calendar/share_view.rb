# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Saves a view of a client's plan for everybody who works there. One of that name is written over.
      class ShareView < Act
        opens :client, "share_view"

        # @return [String] its id
        def call(name:, look:, narrowing:)
          view = Core::Plan::SavedView.read(name: name, look: look, narrowing: narrowing)
          shared = { workspace_id: member.workspace_id, shared: true }
          id = Store::Plan::Views.keep(scope, view, shared, by: member.person_id, id: new_id, now: now)
          record("view_shared", facts: { name: view.name })
          announce("plan", ids: [])
          id
        end
      end
    end
  end
end
