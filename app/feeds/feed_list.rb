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

        def counts
          @counts ||=
            rows(:feed_items)
              .exclude(outcome: "before")
              .group_and_count(:feed_id, :outcome)
              .all
              .group_by { |row| row[:feed_id] }
              .transform_values { |found| found.to_h { |row| [row[:outcome], row[:count]] } }
        end

        def latest
          seen = Store::Posts::Visible.ideas(scope, rows(:ideas))
          ranked =
            rows(:feed_items)
              .where(outcome: %w[idea draft], idea_id: seen.select(Sequel[:ideas][:id]))
              .select(:feed_id, :title, :idea_id, :at)
              .select_append(Sequel.function(:row_number).over(partition: :feed_id, order: Sequel.desc(:id)).as(:rank))
          @latest ||=
            scope.db[ranked.as(:ranked)]
              .where(rank: 1..LATEST)
              .order(:feed_id, :rank)
              .all
              .group_by { |row| row[:feed_id] }
              .transform_values { |all| all.map { |row| row.slice(:title, :idea_id).merge(at: row[:at].iso8601) } }
        end

        def folders = rows(:media_folders).order(Sequel.function(:lower, :name)).select(:id, :name).all
        def can = { keep_feed: Permissions::Capabilities.one(member, "keep_feed", colleagues, touching) }
      end
    end
  end
end
