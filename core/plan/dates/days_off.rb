# frozen_string_literal: true

require "holidays"

module AskFirst
  module Core
    module Plan
      # Public holidays by country and region, from the maintained package `holidays`.
      module DaysOff
        REGIONS = Holidays.available_regions.map(&:to_s).reject { |one| one.end_with?("_") }.freeze

        module_function

        # @param region [String] one of REGIONS, or "" for none
        # @param from [Date]
        # @param to [Date] inclusive
        # @return [Array<Hash>] {date:, name:}, in order; observed days where a holiday is moved
        def between(region, from, to)
          return [] if region.empty?

          Holidays
            .between(from, to, region.to_sym, :observed)
            .map { |day| { date: day[:date], name: day[:name] } }
            .uniq { |day| day[:date] }
        end
      end
    end
  end
end
