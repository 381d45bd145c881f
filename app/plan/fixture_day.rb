# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # One of the days of a fixture.
      module FixtureDay
        module_function

        # @param row [Hash] of fixtures
        # @param date [Date]
        def of?(row, date)
          clock = row[:clock].respond_to?(:strftime) ? row[:clock].strftime("%H:%M") : row[:clock]
          Store::Plan::Fixtures.fixture(row.merge(clock: clock)).within(date..date).any?
        end

        # @return [Core::Invalid]
        def none(date)
          Core::Invalid.new(
            "not_its_day",
            "The fixture is not on #{date.iso8601}.",
            field: "day",
            way_on: "Look at the plan as it is now."
          )
        end
      end
    end
  end
end
