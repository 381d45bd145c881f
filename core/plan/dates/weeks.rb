# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Plan
      # The weeks that some days touch, from the day on which the client's weeks start, with their numbers.
      module Weeks
        Week = Struct.new(:number, :days, keyword_init: true)

        module_function

        # @param inside [Range<Date>] whose weeks are wanted
        # @param start [Integer] the day on which a week starts, 0 is Sunday
        # @return [Array<Week>] in order; days before and after fill the first and the last
        def of(inside, start)
          from = inside.first - ((inside.first.wday - start) % 7)
          to = inside.last + ((start - 1 - inside.last.wday) % 7)
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
