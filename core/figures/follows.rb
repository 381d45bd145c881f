# frozen_string_literal: true

module AskFirst
  module Core
    module Figures
      # What follows from the figures of sign-off, in words. Nothing is said of fewer than ENOUGH: of few, chance says
      # more than habit. The thresholds are common practice, no source.
      class Follows
        ENOUGH = 10
        ENOUGH_HOURS = 20 # answers, for a habit of days and hours
        LATE = 0.8 # in time below that
        BACK = 0.3 # that come back above that
        ALONE = 0.8 # of a step's answers by one of several
        TOGETHER = 0.4 # of answers within three hours, or on one day
        TENTHS = %w[one two three four five six seven eight nine].freeze
        DAYS = %w[Mondays Tuesdays Wednesdays Thursdays Fridays Saturdays Sundays].freeze

        # @param figures [SignOff]
        # @param names [Hash{String=>String}] of people
        def initialize(figures, names)
          @figures = figures
          @names = names
        end

        # @return [Array<String>] sentences; one that says how many are missing where there are too few
        def call
          return [few] if @figures.steps.all? { |step| step[:asked] < ENOUGH }

          said = [*steps.filter_map { |step| late(step) }, back, *alone, *habit].compact
          said.empty? ? ["Nothing stands out in this time."] : said
        end

        private

        def steps = @steps ||= @figures.steps.select { |step| step[:asked] >= ENOUGH }

        def few
          most = @figures.steps.map { |step| step[:asked] }.max || 0
          "Too little was asked in this time to say what follows: #{most} at the step with the most, #{ENOUGH} are " \
            "needed."
        end

        def late(step)
          of, in_time = step[:in_time].values_at(:of, :n)
          return if of < ENOUGH || in_time >= of * LATE

          often = in_time * 20 < of ? "hardly ever" : "#{ten(in_time, of)} times"
          nine = step[:time][:n] >= ENOUGH && step[:time][:p90].ceil
          said = "“#{step[:name]}” is answered in time #{often}."
          return said unless nine && nine > step[:hours]

          "#{said} It gives #{hours(step[:hours])}; nine of ten are answered within #{hours(nine)}. Ask earlier, or " \
            "give it more."
        end

        def back
          asked, back = @figures.posts.values_at(:asked, :back)
          return if asked < ENOUGH || back < asked * BACK

          most = @figures.steps.max_by { |step| step[:back] }
          "#{ten(back, asked).capitalize} posts come back, most from “#{most[:name]}” (#{most[:back]} of " \
            "#{most[:posts]}). What is wanted changed there belongs on the brand sheet."
        end

        # Of several who could answer, one does.
        def alone
          steps.filter_map do |step|
            by_person = @figures.answered_by(step)
            total = by_person.values.sum
            id, most = by_person.max_by(&:last)
            next if total < ENOUGH || most < total * ALONE || @figures.asked_at(step).size < 2

            name = @names.fetch(id)
            "#{name} gives #{ten(most, total)} answers at “#{step[:name]}”, where others could too. When " \
              "#{name.split.first} is away, it waits."
          end
        end

        def habit
          grid = @figures.clock
          total = grid.flatten.sum
          return [] if total < ENOUGH_HOURS

          [hours_of(grid, total), day_of(grid, total)]
        end

        def hours_of(grid, total)
          by_hour = (0..23).map { |hour| grid.sum { |day| day[hour] } }
          from = (0..21).max_by { |hour| by_hour[hour, 3].sum }
          most = by_hour[from, 3].sum
          return if most < total * TOGETHER

          share = ten(most, total).capitalize
          "#{share} answers come between #{from}:00 and #{from + 3}:00. What is asked before that is answered the " \
            "same day."
        end

        def day_of(grid, total)
          day = (0..6).max_by { |number| grid[number].sum }
          most = grid[day].sum
          "#{ten(most, total).capitalize} answers come on #{DAYS[day]}." if most >= total * TOGETHER
        end

        # A share of a twentieth or more, as one says it.
        def ten(part, whole)
          tenths = (part * 10.0 / whole).round
          tenths < 10 ? "#{TENTHS[tenths - 1]} of ten" : "nearly all"
        end

        def hours(number) = "#{format("%g", number)} working #{number == 1 ? "hour" : "hours"}"
      end
    end
  end
end
