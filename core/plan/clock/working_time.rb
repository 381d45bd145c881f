# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Plan
      # Adds, subtracts and measures working minutes over a week's hours in a zone, less the days off.
      # between(t, add(t, n)) = n for every n. At a closing time `add` gives the earlier instant (the closing),
      # `subtract` the later (the next opening).
      class WorkingTime
        DAYS = %w[1 2 3 4 5 6 7].freeze # ISO 8601: 1 is Monday
        HOUR = /\A([01]\d|2[0-4]):([0-5]\d)\z/
        FARTHEST = 3_660 # days looked through before it is said that there is no working time

        # @param value [Hash] "1".."7" => list of ["09:00", "18:00"]
        # @return [Hash] with the days in order and without empty ones
        # @raise [Invalid]
        def self.clean_week(value)
          raise bad unless value.is_a?(Hash) && (value.keys - DAYS).empty?

          value.sort.to_h.transform_values { |spans| clean_day(spans) }.reject { |_, spans| spans.empty? }
        end

        def self.clean_day(spans)
          good =
            spans.is_a?(Array) && spans.size <= 4 &&
              spans.all? do |span|
                span.is_a?(Array) && span.size == 2 && span.all? { |hour| HOUR.match?(hour.to_s) && hour <= "24:00" } &&
                  span[0] < span[1]
              end
          raise bad unless good

          sorted = spans.sort
          raise bad if sorted.each_cons(2).any? { |before, after| after[0] < before[1] }

          sorted
        end

        def self.bad
          Invalid.new(
            "bad_hours",
            "Working hours are from an hour to a later one, and do not overlap.",
            field: "working_hours",
            way_on: "Write them like 09:00 to 18:00."
          )
        end

        # @param week [Hash] as from clean_week
        # @param region [String] of DaysOff, "" for none
        # @param off [Array<Date>] further days off
        def initialize(zone:, week:, region: "", off: [])
          @zone = zone
          @week = week
          @region = region
          @off = off
          @years = {}
        end

        # @param minutes [Numeric] working minutes, 0 or more
        # @return [Time]
        def add(from, minutes)
          left = minutes * 60
          return from if left <= 0

          each_span(from, 1) do |opens, closes|
            start = [opens, from].max
            next if closes <= start
            return start + left if left <= closes - start

            left -= closes - start
          end
        end

        # @return [Time]
        def subtract(from, minutes)
          left = minutes * 60
          return from if left <= 0

          each_span(from, -1) do |opens, closes|
            stop = [closes, from].min
            next if stop <= opens
            return stop - left if left <= stop - opens

            left -= stop - opens
          end
        end

        # @param day [Date] there
        # @return [Boolean] whether anybody works on it at all
        def works_on?(day)
          spans(day).any?
        end

        # @return [Float] working minutes; negative when `to` is before `from`
        def between(from, to)
          return -between(to, from) if to < from

          total = 0
          (date(from)..date(to)).each do |day|
            spans(day).each { |opens, closes| total += [[closes, to].min - [opens, from].max, 0].max }
          end
          total / 60.0
        end

        # Whether somebody works at this moment.
        def working?(at)
          spans(date(at)).any? { |opens, closes| opens <= at && at < closes }
        end

        private

        def each_span(from, step, &block)
          day = date(from)
          FARTHEST.times do
            found = spans(day)
            (step.positive? ? found : found.reverse).each(&block)
            day += step
          end
          raise Invalid.new(
                  "no_working_time",
                  "There are no working hours in the coming ten years.",
                  field: "working_hours",
                  way_on: "Set the working hours in the client's settings."
                )
        end

        def date(instant)
          wall = WallTime.at(instant, @zone).wall
          Date.new(wall.year, wall.month, wall.day)
        end

        # @return [Array<Array(Time, Time)>] the working spans of a day, as instants
        def spans(day)
          return [] if day_off?(day)

          @week.fetch(day.cwday.to_s, []).map { |opens, closes| [instant(day, opens), instant(day, closes)] }
        end

        def instant(day, hour)
          hours, minutes = hour.split(":").map(&:to_i)
          wall = Time.utc(day.year, day.month, day.day) + (hours * 3_600) + (minutes * 60)
          WallTime.new(wall, @zone).at
        end

        def day_off?(day)
          @off.include?(day) || year(day.year).include?(day)
        end

        def year(number)
          @years[number] ||= DaysOff
            .between(@region, Date.new(number, 1, 1), Date.new(number, 12, 31))
            .to_set { |one| one[:date] }
        end
      end
    end
  end
end
