# frozen_string_literal: true

module AskFirst
  module Jobs
    # Compares files that a network has saved anew with what was sent.
    class CompareFiles < Base
      self.priority = 70

      def run(workspace_id, showing_id)
        App::Dispatch::CompareFiles.call(kit, process(workspace_id), showing_id: showing_id)
      end
    end
  end
end
