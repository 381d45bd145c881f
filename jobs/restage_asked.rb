# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at what somebody is asked for anew, after they have come back to a client.
    class RestageAsked < Base
      self.priority = 30

      def run(workspace_id, person_id)
        App::Signoff::RestageAsked.call(kit, process(workspace_id), person_id: person_id)
      end
    end
  end
end
