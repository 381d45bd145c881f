# frozen_string_literal: true

module AskFirst
  module Store
    module Clients
      # A client's working time: its hours, its zone, its holidays.
      module Hours
        module_function

        # @param workspace [Hash] row
        # @return [Core::Plan::WorkingTime]
        def of(workspace)
          week = workspace[:working_hours]
          # no hours set: every hour counts
          week = Core::Plan::WorkingTime::DAYS.to_h { |day| [day, [%w[00:00 24:00]]] } if week.empty?
          Core::Plan::WorkingTime.new(zone: workspace[:zone], week: week, region: workspace[:holidays])
        end
      end
    end
  end
end
