# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # Channels with how their connections are, over one or many workspaces with one statement.
      module Conditions
        # whose consent a channel (c) rests on, until when, and whether that person is still here
        CHANNELS = <<~SQL
          channels c
          LEFT JOIN connections n ON (n.workspace_id, n.id) = (c.workspace_id, c.connection_id)
          LEFT JOIN people p ON p.id = n.consent_by
        SQL
        CONNECTION = <<~SQL
          n.expires_at, n.consent_until, n.consent_by, p.name AS consent_name, n.refresh_token IS NOT NULL AS renews,
          EXISTS (SELECT FROM memberships m
            WHERE (m.workspace_id, m.person_id) = (c.workspace_id, n.consent_by) AND m.ended_at IS NULL) AS consent_here
        SQL

        module_function

        # @param scope [Scope]
        # @return [Array<Hash>] the channel's row with :condition (Core::Channels::Condition::Said) and :consent_by,
        # in order
        def of(scope, now)
          rows(scope).map { |row| row.merge(condition: condition(row, now)) }
        end

        # @param row [Hash] of a channel with what CONNECTION selects
        # @return [Core::Channels::Condition::Said]
        def condition(row, now)
          connection = row[:connection_id] && row.slice(:expires_at, :consent_until, :renews)
          Core::Channels::Condition.of(
            row,
            connection,
            now,
            consent_name: row[:consent_name],
            consent_here: row[:consent_by].nil? || row[:consent_here]
          )
        end

        def rows(scope)
          Database
            .prepared(scope.db, :channel_conditions) { scope.db.select(Sequel.lit(SELECTED, w: :$w)) }
            .call(w: Database.uuids(scope.workspace_ids))
        end

        SELECTED = <<~SQL.freeze
          c.*, #{CONNECTION} FROM #{CHANNELS}
          WHERE c.workspace_id = ANY(:w) AND c.archived_at IS NULL ORDER BY c.workspace_id, c.position
        SQL
        private_class_method :rows
        private_constant :SELECTED
      end
    end
  end
end
