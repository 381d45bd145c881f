# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Why a time falls on a day on which a client rests.
      module DayOff
        module_function

        # @param workspace [Hash] row
        # @param time [Core::Plan::WallTime]
        # @return [String, nil] the holiday's name, or that nobody works then
        def of(workspace, time)
          day = Core::Plan::WallTime.at(time.at, workspace[:zone]).wall.to_date
          holiday = Core::Plan::DaysOff.between(workspace[:holidays], day, day).first
          return holiday[:name] if holiday

          "a day on which nobody works" unless Store::Clients::Hours.of(workspace).works_on?(day)
        end
      end
    end
  end
end
