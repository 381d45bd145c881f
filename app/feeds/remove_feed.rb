# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # Takes a feed away. What came of it stays.
      class RemoveFeed < Ideas::IdeaAct
        opens :feed, "keep_feed"

        def call(feed_id:)
          rows(:feeds).where(id: feed_id).delete
          record("feed_dropped", facts: { name: row[:name] })
          broadcast
        end
      end
    end
  end
end
