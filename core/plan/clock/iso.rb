# frozen_string_literal: true

require "date"
require "time"

module AskFirst
  module Core
    module Plan
      # Days and moments as they are handed in: ISO 8601, within what a plan holds.
      module Iso
        module_function

        # @param text [Object] "2026-10-14"
        # @return [Date]
        # @raise [Invalid] bad_date, time_out_of_reach
        def day(text, now, field:)
          raise Date::Error unless text.is_a?(String) && text.match?(/\A\d{4}-\d{2}-\d{2}\z/)

          Date.iso8601(text).tap { |date| Bounds.year!(date.year, now, field: field) }
        rescue Date::Error
          raise Invalid.new(
                  "bad_date",
                  "“#{text.to_s[0, 20]}” is not a day.",
                  field: field,
                  way_on: "Write it like 2026-10-14."
                )
        end

        # @param text [Object] "2026-10"
        # @return [Date] its first day
        # @raise [Invalid] bad_month, time_out_of_reach
        def month(text, now, field:)
          day("#{text}-01", now, field: field)
        rescue Invalid => e
          raise e unless e.code == "bad_date"

          raise Invalid.new(
                  "bad_month",
                  "“#{text.to_s[0, 20]}” is not a month.",
                  field: field,
                  way_on: "Write it like 2026-10."
                )
        end

        # @param text [Object] "2026"
        # @return [Date] its first day
        # @raise [Invalid] bad_year, time_out_of_reach
        def year(text, now, field:)
          day("#{text}-01-01", now, field: field)
        rescue Invalid => e
          raise e unless e.code == "bad_date"

          raise Invalid.new(
                  "bad_year",
                  "“#{text.to_s[0, 20]}” is not a year.",
                  field: field,
                  way_on: "Write it like 2026."
                )
        end

        # @param text [Object] "2026-10-14T09:00:00Z"
        # @return [Time]
        # @raise [Invalid] bad_moment, time_out_of_reach
        def moment(text, now, field:)
          raise ArgumentError unless text.is_a?(String) && text.match?(/\A\d{4}-/)

          Time.iso8601(text).tap { |time| Bounds.year!(time.year, now, field: field) }
        rescue ArgumentError
          raise Invalid.new(
                  "bad_moment",
                  "“#{text.to_s[0, 30]}” is not a moment.",
                  field: field,
                  way_on: "Write it like 2026-10-14T09:00:00Z."
                )
        end
      end
    end
  end
end
