# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # A client's feeds, each with its health and what came of it.
      class FeedList < Ideas::IdeaAct
        reads :client, "see_ideas"

        TOLD = %i[id name address folder_id makes group_id channel_id state said failures version].freeze
        LATEST = 5

        # @return [Hash] JSON-ready
        def call
          feeds = Store::Posts::Visible.feeds(scope, rows(:feeds)).order(:made_at, :id).all
          { feeds: feeds.map { |feed| json(feed) }, folders: folders, can: can }
        end

        private

        def json(feed)
          {
            **feed.slice(*TOLD),
            rule: Core::Feeds::FeedRule::USUAL.merge(feed[:rule].to_h),
            begun: !feed[:begun_at].nil?,
            paused: !feed[:paused_at].nil?,
            read_at: feed[:read_at]&.iso8601,
            next_at: feed[:next_at].iso8601,
            by: names[feed[:made_by]],
            counts: counts.fetch(feed[:id], {}),
            latest: latest.fetch(feed[:id], []),
            found: feed[:recent].to_a.size
          }
        end

        def counts = @counts ||= Store::Feeds::FeedItems.counts(scope)

        def latest
          @latest ||=
            Store::Feeds::FeedItems
              .latest(scope, LATEST)
              .transform_values { |all| all.map { |row| row.slice(:title, :idea_id).merge(at: row[:at].iso8601) } }
        end

        def folders = Store::Named.in_order(rows(:media_folders)).select(:id, :name).all
        def can = { keep_feed: Permissions::Capabilities.one(member, "keep_feed", colleagues, touching) }
      end
    end
  end
end
