# frozen_string_literal: true

module AskFirst
  module Store
    module Campaigns
      # What went out in a time, with its words.
      module WentOut
        SETS = RowSets.new(:went_out, posts: <<~SQL)
              SELECT s.channel_id, s.post_id, p.subject, t.value #>> '{}' AS text
              FROM showings s
              JOIN posts p ON (p.workspace_id, p.id) = (s.workspace_id, s.post_id)
              LEFT JOIN parts t ON (t.workspace_id, t.post_id, t.part) = (s.workspace_id, s.post_id, 'text')
                AND t.channel_id IS NULL
              WHERE s.workspace_id = ANY(:w) AND s.state = 'out'
                AND s.sent_at >= :from::timestamptz AND s.sent_at < :to::timestamptz
              ORDER BY s.sent_at
            SQL
        private_constant :SETS

        module_function

        # @param scope [Scope] of one workspace
        # @param from [Time]
        # @param to [Time] exclusive
        # @return [Array<Hash>] :channel_id, :post_id, :subject, :text, one for each channel that the reader sees
        def between(scope, from, to)
          found = SETS.fetch(scope.db, w: Database.uuids(scope.workspace_ids), from: from.iso8601(6), to: to.iso8601(6))
          limits = scope.limits[scope.workspace_id]
          limits ? found[:posts].select { |row| limits.include?(row[:channel_id]) } : found[:posts]
        end
      end
    end
  end
end
