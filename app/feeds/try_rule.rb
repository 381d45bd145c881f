# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # What a rule would make of the newest items of a feed. Nothing is kept.
      class TryRule < Ideas::IdeaAct
        reads :feed, "keep_feed"

        # @param rule [Hash] see Core::Feeds::FeedRule
        # @return [Array<Hash>] JSON-ready
        # @raise [Core::Invalid] bad_rule, too_long
        def call(feed_id:, rule:)
          clean = Core::Feeds::FeedRule.clean(rule)
          row[:recent].to_a.map do |one|
            item = Core::Feeds::FeedItem.from(one)
            said = Core::Feeds::FeedRule.said(clean, item, workspace[:zone])
            {
              passes: Core::Feeds::FeedRule.passes?(clean, item),
              title: said["title"],
              note: said["note"],
              link: said["link"],
              at: item.at&.iso8601,
              picture: !(item.picture || item.media_id).nil?
            }
          end
        end
      end
    end
  end
end
