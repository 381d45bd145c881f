# frozen_string_literal: true

module AskFirst
  module Jobs
    # Moves a showing on at its time.
    class AdvanceShowing < Base
      self.priority = 10

      def run(workspace_id, showing_id)
        App::Dispatch::Advance.call(kit, process(workspace_id), showing_id: showing_id)
      end
    end
  end
end
