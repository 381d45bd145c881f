# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Plan
      # The weeks that a month touches, from the day on which the client's weeks start, with their numbers.
      module Weeks
        Week = Struct.new(:number, :days, keyword_init: true)

        module_function

        # @param start [Integer] the day on which a week starts, 0 is Sunday
        # @return [Array<Week>] in order; days before and after the month fill the first and the last
        def of_month(year, month, start)
          first = Date.new(year, month, 1)
          last = Date.new(year, month, -1)
          from = first - ((first.wday - start) % 7)
          to = last + ((start - 1 - last.wday) % 7)
          (from..to).each_slice(7).map { |days| Week.new(number: number(days), days: days) }
        end

        # The number of the week that has this Thursday, whichever day it starts on. Source: ISO 8601, 3.1.1.23: the
        # first week of a year is the one with its first Thursday.
        def number(days)
          days.find(&:thursday?).cweek
        end
      end
    end
  end
end
