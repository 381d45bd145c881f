# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # By when an answer is wanted: so many of the client's working hours from now, at the next full quarter of an
      # hour, which is how people name times (common practice, no source).
      module Due
        QUARTER = 15 * 60
        HOURS = [2, 4, 8, 16, 24, 40].freeze # offered beside the route's own: up to a working week

        module_function

        # @param working_time [Plan::WorkingTime] the client's
        # @param now [Time]
        # @param hours [Numeric] working hours that are allowed
        # @return [Time]
        # @raise [Invalid] when there are no working hours for ten years
        def after(working_time, now, hours)
          exact = working_time.add(now, hours * 60)
          Time.at((exact.to_r / QUARTER).ceil * QUARTER).utc
        end

        # @param hours [Numeric] what the route allows; stands among the others
        # @return [Array<Hash>] {hours:, at:}, the soonest first
        def choices(working_time, now, hours)
          [hours, *HOURS].uniq
            .sort
            .map { |allowed| { hours: allowed, at: after(working_time, now, allowed) } }
            .uniq { |choice| choice[:at] }
        end
      end
    end
  end
end
