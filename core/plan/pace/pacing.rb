# frozen_string_literal: true

require "date"
require "time"

module AskFirst
  module Core
    module Plan
      # What would bring a channel to the pace that is wanted of it: posts that stand too close or on a full day go on,
      # and places are kept where too little goes out. The fewest changes that do it, the earlier ones first; nothing
      # moves into the past, onto a day off, or further than two weeks.
      class Pacing
        STEP = 30 # minutes
        LATEST = 21 # the hour after which nothing is proposed; common practice, no source
        REACH = 14 # days

        # wall: such as 2026-10-15T07:30 · free: whether it may move
        Entry = Struct.new(:post_id, :wall, :free, keyword_init: true) { def day = wall[0, 10] }
        # kind: close, full, gap or few · to: wall time of the post, or the day that is kept
        Proposal = Struct.new(:kind, :post_id, :from, :to, keyword_init: true)

        # @param entries [Array<Entry>] of one channel
        # @param kept [Array<Date>] days with a pencil mark there
        # @param days [Range<Date>] that are looked at
        # @param today [Date]
        # @param limits [PaceLimits]
        # @param works [#call] Date => whether the client works on it
        def initialize(entries, kept:, days:, today:, limits:, works:)
          @entries = entries.sort_by(&:wall)
          @kept = kept
          @days = days
          @today = today
          @limits = limits
          @works = works
        end

        # @return [Array<Proposal>]
        def proposals = moves + marks

        private

        attr_reader :limits

        # Those that cannot move stand; each other is put where it fits, in the order of time.
        def moves
          @moves ||=
            begin
              @stands = @entries.reject(&:free).map(&:wall)
              @entries.select(&:free).filter_map { |entry| move(entry) }
            end
        end

        def move(entry)
          kind = trouble(entry.wall)
          to = kind && candidates(entry.wall).find { |wall| trouble(wall).nil? }
          @stands << (to || entry.wall)
          Proposal.new(kind: kind, post_id: entry.post_id, from: entry.wall, to: to) if to
        end

        # @return [Symbol, nil] why nothing can stand there beside what stands already
        def trouble(wall)
          return :full if limits.day_max && @stands.count { |other| other[0, 10] == wall[0, 10] } >= limits.day_max

          :close if limits.apart && @stands.any? { |other| apart(other, wall) < limits.apart }
        end

        def apart(one, other) = ((minute(one) - minute(other)) / 60).abs
        def minute(wall) = Time.iso8601("#{wall}:00Z")

        # Later on its day, then at its hour on the days after.
        def candidates(wall)
          later = (1..((LATEST * 60) / STEP)).map { |n| minute(wall) + (n * STEP * 60) }
          same = later.take_while { |at| at.to_date == minute(wall).to_date && at.hour < LATEST }
          days = (1..REACH).map { |n| minute(wall) + (n * 86_400) }.select { |at| fits?(at.to_date) }
          (same + days).map { |at| at.strftime("%Y-%m-%dT%H:%M") }
        end

        def fits?(day) = @days.cover?(day) && day >= @today && @works.call(day)

        # Days to be kept: in stretches without a post, then in weeks with too few.
        def marks
          @filled = (@stands.map { |wall| Date.iso8601(wall[0, 10]) } + @kept).uniq.sort
          gaps.map { |day| Proposal.new(kind: :gap, to: day) } + few.map { |day| Proposal.new(kind: :few, to: day) }
        end

        def gaps
          return [] unless limits.gap

          stretches.flat_map { |from, to| inside(from, to) }.tap { |days| @filled = (@filled + days).sort }
        end

        # @return [Array<Array(Date, Date)>] the days without a post from the first to the last, that are too many
        def stretches
          edges = [@days.first - 1, *@filled, @days.last + 1]
          edges
            .each_cons(2)
            .map { |one, other| [[one + 1, @today].max, other - 1] }
            .select { |from, to| (to - from).to_i + 1 > limits.gap }
        end

        # Evenly, so that none of the parts is too long.
        def inside(from, to)
          length = (to - from).to_i + 1
          count = length / (limits.gap + 1)
          (1..count).filter_map { |n| near(from + ((length + 1) * n / (count + 1)) - 1, from, to) }.uniq
        end

        # The day itself, or the nearest working one within the stretch.
        def near(day, from, to)
          (from..to).select { |one| fits?(one) }.min_by { |one| [(one - day).abs, one] }
        end

        def few
          return [] unless limits.week_min

          weeks.flat_map { |week| lacking(week) }
        end

        # Whole weeks that are still to come, by Monday.
        def weeks
          first = [@days.first, @today].max
          monday = first + ((1 - first.cwday) % 7)
          (monday..@days.last).step(7).map { |day| day..(day + 6) }.select { |week| @days.cover?(week.last) }
        end

        def lacking(week)
          there = @stands.count { |wall| week.cover?(Date.iso8601(wall[0, 10])) }
          there += (@filled - @stands.map { |wall| Date.iso8601(wall[0, 10]) }).count { |day| week.cover?(day) }
          wanted = limits.week_min - there
          (1..wanted).filter_map { |_| farthest(week)&.tap { |day| @filled = (@filled + [day]).sort } }
        end

        # The working day without anything that is farthest from what there is.
        def farthest(week)
          free = week.select { |day| fits?(day) && !@filled.include?(day) }
          free.max_by { |day| [@filled.map { |one| (one - day).abs }.min || 99, -day.jd] }
        end
      end
    end
  end
end
