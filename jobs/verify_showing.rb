# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at the network whether a post is really there.
    class VerifyShowing < Base
      self.priority = 60

      def run(workspace_id, showing_id, look)
        App::Dispatch::Verify.call(kit, process(workspace_id), showing_id: showing_id, look: look)
      end
    end
  end
end
