# frozen_string_literal: true

module AskFirst
  module Jobs
    # Releases what has all its yeses, where its route says that it releases itself.
    class ReleaseCleared < Base
      self.priority = 20

      def run(workspace_id, post_ids)
        App::Dispatch::ReleaseCleared.call(kit, process(workspace_id), post_ids: post_ids)
      end
    end
  end
end
