# frozen_string_literal: true

module AskFirst
  module Jobs
    # Cuts the pictures of a post that somebody works on.
    class RenderAhead < Base
      self.priority = 60

      def run(workspace_id, post_id)
        App::Media::RenderAhead.call(kit, process(workspace_id), post_id: post_id)
      end
    end
  end
end
