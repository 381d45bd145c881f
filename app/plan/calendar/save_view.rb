# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Saves a view of the plan for oneself, over one client or over all of one's own. One of that name is written
      # over.
      class SaveView < AgencyAct
        # @param workspace_id [String, nil] nil for all clients
        # @return [String] its id
        def call(name:, look:, narrowing:, workspace_id: nil)
          raise Core::NotFound, "This workspace" if workspace_id && !person.workspace_ids.include?(workspace_id)

          view = Core::Plan::SavedView.read(name: name, look: look, narrowing: narrowing)
          own = { person_id: person.person_id, workspace_id: workspace_id, shared: false }
          Store::Plan::Views.keep(scope, view, own, by: person.person_id, id: new_id, now: now)
        end
      end
    end
  end
end
