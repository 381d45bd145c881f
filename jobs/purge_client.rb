# frozen_string_literal: true

module AskFirst
  module Jobs
    # Removes a client at the end of its grace.
    class PurgeClient < Base
      self.priority = 80

      def run(workspace_id)
        App::Clients::Purge.call(environment, workspace_id)
      end
    end
  end
end
