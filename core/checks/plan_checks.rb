# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What a post's planned day says about it: an end in its text that is over by then, a day off of the client.
      # Warnings:
      # somebody may mean it so.
      module PlanChecks
        module_function

        # @param text [String] as it will be sent
        # @param on [Date, nil] the local day of its planned time in the client's zone
        # @param days_off [Hash{Date=>String}] the client's days off with their names
        # @return [Array<PostChecks::Finding>]
        def call(text, on, days_off)
          return [] if on.nil?

          [
            *DatesInText.over(text, on).map { |found| over(found, on) },
            *(days_off.key?(on) ? [day_off(on, days_off[on])] : [])
          ]
        end

        def over(found, on)
          PostChecks.warning(
            "end_is_over",
            "text",
            "“#{found.words}” is over on #{on.strftime("%-d %B")}, when it goes out."
          )
        end

        def day_off(on, name)
          PostChecks.warning("day_off", "time", "#{on.strftime("%A %-d %B")} is a day off there: #{name}.")
        end
      end
    end
  end
end
