# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Removes a view of a client's plan for everybody who works there.
      class UnshareView < Act
        opens :client, "share_view"

        # @raise [Core::NotFound]
        def call(view_id:)
          view = fetch(:saved_views, view_id, "This view")
          raise Core::NotFound, "This view" unless view[:shared]

          rows(:saved_views).where(id: view[:id]).delete
          record("view_removed", facts: { name: view[:name] })
          announce("plan", ids: [])
        end
      end
    end
  end
end
