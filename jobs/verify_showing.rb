# frozen_string_literal: true

module AskFirst
  module Jobs
    # Looks at the network whether a post is really there. The dispatcher's: it has a queue of its own.
    class VerifyShowing < Base
      QUEUE = "dispatch"

      self.priority = 60
      self.queue = QUEUE

      def run(workspace_id, showing_id, look)
        process = App::Member.process(workspace_id, "dispatcher")
        App::Dispatch::Verify.call(environment, process, showing_id: showing_id, look: look)
      end
    end
  end
end
