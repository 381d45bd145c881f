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

        # What is to be told of a file to whoever released a post that goes out after its last day: from the day before
        # that, and again when it is over.
        # @param out_on [Date] on which the post goes out
        # @param today [Date] both in the client's zone
        # @return [String, nil] ahead or ended
        def told(until_day, out_on, today)
          return unless over?(until_day, out_on)
          return "ended" if today > until_day

          "ahead" if today >= until_day - 1
        end

        # @param files [Array<Array(String, Date)>] name and last day of what goes out
        # @param day [Date]
        # @return [String, nil] which of them may not be used on that day
        def ended(files, day)
          over = files.select { |_, last| over?(last, day) }
          return if over.empty?

          "#{over.map { |name, last| "“#{name}” may be used until #{last.strftime("%-d %B %Y")}" }.join(", ")}: by " \
            "this client's rule a post does not go out with it after that."
        end
      end
    end
  end
end
