# frozen_string_literal: true

module AskFirst
  module Store
    module Feeds
      # What came of the items of a client's feeds.
      module FeedItems
        module_function

        # @param scope [Scope]
        # @return [Hash{String=>Hash{String=>Integer}}] feed id => outcome => how many items
        def counts(scope)
          scope
            .rows(:feed_items)
            .exclude(outcome: "before")
            .group_and_count(:feed_id, :outcome)
            .all
            .group_by { |row| row[:feed_id] }
            .transform_values { |found| found.to_h { |row| [row[:outcome], row[:count]] } }
        end

        # @param limit [Integer] of each feed
        # @return [Hash{String=>Array<Hash>}] feed id => the latest that became something that the reader sees: :title,
        #   :idea_id, :at
        def latest(scope, limit)
          seen = Posts::Visible.ideas(scope, scope.rows(:ideas))
          ranked =
            scope
              .rows(:feed_items)
              .where(outcome: %w[idea draft], idea_id: seen.select(Sequel[:ideas][:id]))
              .select(:feed_id, :title, :idea_id, :at)
              .select_append(Sequel.function(:row_number).over(partition: :feed_id, order: Sequel.desc(:id)).as(:rank))
          scope.db[ranked.as(:ranked)].where(rank: 1..limit).order(:feed_id, :rank).all.group_by { |row| row[:feed_id] }
        end
      end
    end
  end
end
