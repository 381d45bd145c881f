# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # A client's channel sets with their channels. A member who is limited to channels finds these of each set, and
      # no set without one.
      module Sets
        ROWS = <<~SQL
          s.*, ARRAY(
            SELECT m.channel_id FROM channel_set_channels m
            WHERE (m.workspace_id, m.set_id) = (s.workspace_id, s.id)) AS channel_ids
          FROM channel_sets s
        SQL

        module_function

        # @param scope [Scope] of one workspace
        # @return [Array<Hash>] rows with :channel_ids
        def of(scope)
          found =
            Database.prepared(scope.db, :channel_sets) do
              scope.db.select(Sequel.lit("#{ROWS} WHERE s.workspace_id = :w ORDER BY s.name", w: :$w))
            end
          narrow(found.call(w: scope.workspace_id), scope.limits[scope.workspace_id])
        end

        # @param limits [Array<String>, Set<String>, nil] channels of the reader; nil for all
        def narrow(rows, limits)
          return rows unless limits

          rows
            .map { |row| row.merge(channel_ids: row[:channel_ids].to_a & limits.to_a) }
            .reject { |row| row[:channel_ids].empty? }
        end
      end
    end
  end
end
