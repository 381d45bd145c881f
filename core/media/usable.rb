# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # Until when a medium may be used: a picture of people, or one that was bought for a time. The last day counts.
      module Usable
        SOON = 30 # days before its end that it is said

        module_function

        # @param until_day [Date, nil]
        # @param today [Date] in the client's zone
        # @return [String] always, later, soon or ended
        def state(until_day, today)
          return "always" if until_day.nil?
          return "ended" if until_day < today

          until_day <= today + SOON ? "soon" : "later"
        end

        # @param day [Date] on which a post is planned, as the client's calendar has it
        def over?(until_day, day) = !until_day.nil? && day > until_day
      end
    end
  end
end
