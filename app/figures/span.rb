# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # The days that figures are made of.
      module Span
        MOST = 366

        module_function

        # @param from [String] ISO date
        # @param to [String] inclusive
        # @return [Range<Date>]
        # @raise [Core::Invalid] bad_date, bad_span
        def days(from, to, now)
          days = Core::Plan::Iso.day(from, now, field: "from")..Core::Plan::Iso.day(to, now, field: "to")
          return days if days.count.between?(1, MOST)

          raise Core::Invalid.new(
                  "bad_span",
                  "Figures are of at most a year, from a day to a later one.",
                  field: "to",
                  way_on: "Choose a shorter time."
                )
        end

        # @return [Range<Time>] from its first midnight to its last, by the clock of the zone
        def times(days, zone)
          first, after = [days.first, days.last + 1].map { |day| Time.utc(day.year, day.month, day.day) }
          Core::Plan::WallTime.new(first, zone).at...Core::Plan::WallTime.new(after, zone).at
        end
      end
    end
  end
end
