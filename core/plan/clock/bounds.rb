# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # How far away a planned time may lie. A year of 0, 1 or 9999 is a slip of the keyboard, and calendars, zone
      # rules and the people who read a plan have nothing to say about it. Common practice, no source.
      module Bounds
        FIRST_YEAR = 2000
        YEARS_AHEAD = 10
        LAST_READ = 2999 # of what stands in a database already

        module_function

        # @param time [WallTime]
        # @param now [Time]
        # @raise [Invalid] time_out_of_reach
        def require!(time, now, field: "time")
          year!(time.wall.year, now, field: field)
        end

        # @param year [Integer]
        def year!(year, now, field:)
          last = now.year + YEARS_AHEAD
          return if year.between?(FIRST_YEAR, last)

          raise Invalid.new(
                  "time_out_of_reach",
                  "The year #{year} is out of reach: a plan holds the years #{FIRST_YEAR} to #{last}.",
                  field: field,
                  way_on: "Look at the year."
                )
        end
      end
    end
  end
end
