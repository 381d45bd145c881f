# frozen_string_literal: true

module AskFirst
  module Jobs
    # Reads a feed whose time has come, or that somebody waits for.
    class ReadFeed < Base
      self.priority = 70

      def run(workspace_id, feed_id)
        App::Feeds::ReadFeed.call(kit, process(workspace_id), feed_id: feed_id)
      end
    end
  end
end
