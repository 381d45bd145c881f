# frozen_string_literal: true

require "tzinfo"

module AskFirst
  module Core
    module Plan
      # The days on which the clocks of a zone are changed.
      module ClockChanges
        module_function

        # @param zone [String]
        # @param from [Date]
        # @param to [Date] inclusive
        # @return [Hash{Date=>Integer}] day there => seconds that the clock is put forward, less than 0 for back
        def between(zone, from, to)
          WallTime
            .timezone(zone)
            .transitions_up_to(midnight(to + 2), midnight(from - 1))
            .to_h { |change| [day_of(change), moved(change)] }
            .select { |day, seconds| day.between?(from, to) && !seconds.zero? }
        end

        # The day by the clock as it was until then.
        def day_of(change)
          Time.at(change.at.to_i + change.previous_offset.observed_utc_offset).utc.to_date
        end

        def moved(change)
          change.offset.observed_utc_offset - change.previous_offset.observed_utc_offset
        end

        def midnight(day) = Time.utc(day.year, day.month, day.day)
        private_class_method :day_of, :moved, :midnight
      end
    end
  end
end
