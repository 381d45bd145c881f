# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at what somebody is asked for anew, after they have come back to a client.
    class RefreshAsked < Base
      self.priority = 30

      def run(workspace_id, person_id)
        App::Signoff::RefreshAsked.call(kit, process(workspace_id), person_id: person_id)
      end
    end
  end
end
