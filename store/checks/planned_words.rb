# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # What other posts of a client say, where and when, around a time: three statements, as large as their window and not as
      # the client's past. The channel's own part, else the master's.
      class PlannedWords
        MOST = 400 # posts looked at

        # @param from [Time]
        # @param to [Time]
        # @return [Array<Core::Checks::Neighbours::Showing>]
        def self.around(scope, post_id, from, to)
          new(scope, post_id, from, to).showings
        end

        def initialize(scope, post_id, from, to)
          @scope = scope
          @memo = {}
          @posts = scope.rows(:posts).where { (at >= from) & (at <= to) }.exclude(id: post_id).order(Sequel.desc(:at)).limit(MOST).select(:workspace_id, :id, :subject).to_hash(:id)
        end

        def showings
          return [] if @posts.empty?

          adaptations.filter_map { |row| showing(row) }
        end

        private

        def showing(row)
          time = part(row, "time") or return
          Core::Checks::Neighbours::Showing.new(post_id: row[:post_id], subject: @posts.fetch(row[:post_id])[:subject], channel_id: row[:channel_id], channel: row[:name],
            text: part(row, "text").to_s, at: instant(time), memo: @memo)
        end

        def adaptations
          of_posts(:adaptations).where(removed_at: nil).join(:channels, workspace_id: Sequel[:adaptations][:workspace_id], id: Sequel[:adaptations][:channel_id])
                                .select(Sequel[:adaptations][:post_id], Sequel[:adaptations][:channel_id], Sequel[:channels][:name]).all
        end

        def part(row, name)
          parts.fetch([row[:post_id], row[:channel_id], name]) { parts[[row[:post_id], nil, name]] }
        end

        def parts
          @parts ||= of_posts(:parts).where(part: %w[text time]).select(:post_id, :channel_id, :part, :value).to_hash(%i[post_id channel_id part], :value)
        end

        def of_posts(table)
          @scope.rows_at(table, @posts.values.map { |row| row.values_at(:workspace_id, :id) }, column: :post_id)
        end

        # Most posts of a client share a handful of times.
        def instant(value)
          @instants ||= {}
          @instants[value] ||= Core::Plan::WallTime.parse(value["wall"], value["zone"]).at
        end
      end
    end
  end
end
