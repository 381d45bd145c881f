# frozen_string_literal: true

module AskFirst
  module Jobs
    # Does an act over many posts, part by part, until none is left. Somebody waits for it.
    class RunBatch < Base
      self.priority = 50

      def run(workspace_id, batch_id)
        while App::Plan::RunBatch.call(environment, process(workspace_id), batch_id: batch_id)
          App::Dispatch::GiveWay.call(environment)
        end
      end
    end
  end
end
