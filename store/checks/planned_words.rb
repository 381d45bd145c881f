# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # What other posts of a client say, where and when, around a time: one prepared statement, as large as its
      # window and not as the client's past. The channel's own part, else the master's.
      class PlannedWords
        MOST = 400 # posts looked at
        # One row for each post: its text and its moment, and all parts only where a channel has one of its own, which
        # is seldom. The lists are asked for post by post, so that PostgreSQL finds them by their index whatever it
        # thinks of the window.
        SQL = <<~SQL.freeze
          SELECT near.id AS post_id, near.subject, near.at, on_channels.ids AS channel_ids, said.*
          FROM (
            SELECT id, subject, at FROM posts WHERE workspace_id = :w AND at BETWEEN :from AND :to AND id <> :post
            ORDER BY at DESC LIMIT #{MOST}
          ) near
          CROSS JOIN LATERAL (
            SELECT array_agg(a.channel_id) AS ids FROM adaptations a
            WHERE a.workspace_id = :w AND a.post_id = near.id AND a.removed_at IS NULL
          ) on_channels
          CROSS JOIN LATERAL (
            SELECT max(p.value #>> '{}') FILTER (WHERE p.channel_id IS NULL AND p.part = 'text') AS text,
              CASE WHEN bool_or(p.channel_id IS NOT NULL)
                THEN jsonb_agg(jsonb_build_array(p.channel_id, p.part, p.value)) END AS parts
            FROM parts p WHERE p.workspace_id = :w AND p.post_id = near.id AND p.part IN ('text', 'time')
          ) said
        SQL

        NONE = "00000000-0000-0000-0000-000000000000"
        private_constant :NONE

        # @param scope [Scope] of one workspace
        # @param post [PostState::Post] that is looked around from
        # @param from [Time]
        # @param to [Time]
        # @return [Array<Core::Checks::Neighbours::Showing>]
        def self.around(scope, post, from, to)
          new(scope, post.channel_names, except: post.id).showings(from, to)
        end

        # The same for whoever looks around from several posts: all of them.
        # @param channel_names [Hash{String=>String}] id => name
        def self.between(scope, channel_names, from, to)
          new(scope, channel_names).showings(from, to)
        end

        def initialize(scope, channel_names, except: NONE)
          @scope = scope
          @except = except
          @channels = channel_names
          @memo = {}
        end

        def showings(from, to)
          rows(from, to).flat_map { |row| of_post(row) }
        end

        private

        def of_post(row)
          parts = row[:parts] && by_channel(row[:parts])
          row[:channel_ids].to_a.filter_map do |channel_id|
            text, at = parts ? of_channel(parts, channel_id) : row.values_at(:text, :at)
            showing(row, channel_id, text.to_s, at) if at
          end
        end

        # @param parts [Array<Array>] channel id (nil for the master), name of the part, its value
        # @return [Hash{String=>Hash}] channel id => parts
        def by_channel(parts)
          parts.each_with_object(Hash.new { |all, id| all[id] = {} }) do |(id, part, value), found|
            found[id][part] = value
          end
        end

        def of_channel(parts, channel_id)
          stands = Core::Posts::Parts.resolve(parts[nil], parts[channel_id])
          [stands["text"], Core::Plan::WallTime.stored(stands["time"])&.at]
        end

        def showing(row, channel_id, text, at)
          Core::Checks::Neighbours::Showing.new(
            post_id: row[:post_id],
            subject: row[:subject],
            channel_id: channel_id,
            channel: @channels.fetch(channel_id),
            text: text,
            at: at,
            memo: @memo
          )
        end

        def rows(from, to)
          db = @scope.db
          Database
            .prepared(db, :planned_words) { db[SQL, { w: :$w, post: :$post, from: :$from, to: :$to }] }
            .call(w: @scope.workspace_id, post: @except, from: from.utc.iso8601, to: to.utc.iso8601)
        end
      end
    end
  end
end
