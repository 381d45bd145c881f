# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # What other posts of a client say, where and when, around a time: two prepared statements, as large as their
      # window and not as the client's past. The channel's own part, else the master's.
      class PlannedWords
        MOST = 400 # posts looked at
        NEAR =
          "(SELECT id, subject FROM posts WHERE workspace_id = :w AND at BETWEEN :from AND :to AND id <> :post ORDER " \
            "BY at DESC LIMIT #{MOST}) near".freeze
        CHANNELS = <<~SQL.freeze
          near.id AS post_id, near.subject, a.channel_id, c.name AS channel FROM #{NEAR}
          JOIN adaptations a ON a.workspace_id = :w AND a.post_id = near.id AND a.removed_at IS NULL
          JOIN channels c ON c.workspace_id = :w AND c.id = a.channel_id
        SQL
        # a text as it is, a time as its wall and zone: several hundred of them are not worth the reading of JSON
        PARTS = <<~SQL.freeze
          p.post_id, p.channel_id, p.part, p.value #>> '{}' AS words, p.value ->> 'wall' AS wall, p.value ->> 'zone' AS zone FROM #{NEAR}
          JOIN parts p ON p.workspace_id = :w AND p.post_id = near.id AND p.part IN ('text', 'time')
        SQL

        # @param scope [Scope] of one workspace
        # @param post_id [String] the post that is looked around from
        # @param from [Time]
        # @param to [Time]
        # @return [Array<Core::Checks::Neighbours::Showing>]
        def self.around(scope, post_id, from, to)
          new(scope.db, w: scope.workspace_id, post: post_id, from: from.utc.iso8601, to: to.utc.iso8601).showings
        end

        def initialize(db, **window)
          @db = db
          @window = window
          @memo = {}
          @instants = {}
        end

        def showings
          rows(CHANNELS, :planned_channels).filter_map { |row| showing(row) }
        end

        private

        def showing(row)
          at = part(row, "time") { |time| instant(time) } or return
          Core::Checks::Neighbours::Showing.new(
            **row,
            text: part(row, "text") { |text| text[:words] }.to_s,
            at: at,
            memo: @memo
          )
        end

        def part(row, name)
          found = parts.fetch(name)[[row[:post_id], row[:channel_id]]] || parts.fetch(name)[[row[:post_id], nil]]
          found && yield(found)
        end

        def parts
          @parts ||=
            rows(PARTS, :planned_parts).each_with_object({ "text" => {}, "time" => {} }) do |row, found|
              found.fetch(row[:part])[row.values_at(:post_id, :channel_id)] = row
            end
        end

        # Most posts of a client share a handful of times of the day.
        def instant(time)
          wall, zone = time.values_at(:wall, :zone)
          wall && (@instants[[wall, zone]] ||= Core::Plan::WallTime.stored({ "wall" => wall, "zone" => zone })&.at)
        end

        def rows(sql, name)
          @db
            .select(Sequel.lit(sql, w: :$w, post: :$post, from: :$from, to: :$to))
            .prepare(:select, name)
            .call(**@window)
        end
      end
    end
  end
end
