# frozen_string_literal: true

require "date"
require "time"

module AskFirst
  module Core
    module Plan
      # How evenly posts of a channel follow each other: how many a week, the longest stretch without one, and which
      # stand too close together.
      class Pace
        CLOSE = 2 * 3_600 # seconds between two posts of one channel that are too close; common practice, no source

        # channel: id · posts: how many times something goes out · a_week: Rational · gap: Range of Date, the longest
        # stretch of whole days without one, or nil · close: pairs of wall times
        Channel = Struct.new(:channel, :posts, :a_week, :gap, :close, keyword_init: true)

        # @param times [Array<Array(String, String)>] channel and wall time, such as 2026-10-15T07:30
        # @param days [Range<Date>] that are looked at
        def initialize(times, days)
          @walls = times.group_by(&:first).transform_values { |of| of.map(&:last).sort }
          @days = days
        end

        # @return [Array<Channel>] by how much goes out on them
        def channels
          @walls.map { |channel, walls| of(channel, walls) }.sort_by { |one| [-one.posts, one.channel] }
        end

        private

        def of(channel, walls)
          Channel.new(
            channel: channel,
            posts: walls.size,
            a_week: Rational(walls.size * 7, @days.count),
            gap: gap(walls),
            close: close(walls)
          )
        end

        def gap(walls)
          edges = [@days.first - 1, *walls.map { |wall| Date.iso8601(wall[0, 10]) }.uniq, @days.last + 1]
          from, to = edges.each_cons(2).max_by { |one, other| other - one }
          to - from > 1 ? (from + 1)..(to - 1) : nil
        end

        def close(walls)
          walls.each_cons(2).select { |one, other| Time.iso8601("#{other}:00Z") - Time.iso8601("#{one}:00Z") < CLOSE }
        end
      end
    end
  end
end
