# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Checks
      # Days that a text names as an end ("until 12 October", "by Oct 12", "ends 12.10.2026"): an offer that is over
      # when the post goes out is a fault that nobody meant. Only what names day and month is read; of two readings
      # (3/4) none is taken.
      module DatesInText
        MONTHS = Date::MONTHNAMES.compact + Date::ABBR_MONTHNAMES.compact + ["Sept"]
        MONTH = /(?<month>#{MONTHS.map(&:downcase).uniq.sort_by { |name| -name.length }.join("|")})\b\.?/i
        WEEKDAY = /#{(Date::DAYNAMES + Date::ABBR_DAYNAMES).join("|")}/i
        ENDING = /until|till|by|before|through|ends?(?:\s+on)?|closes?(?:\s+on)?|last\s+day(?:\s+is)?/i
        ENDS = /\b(?:#{ENDING})\s+(?:the\s+)?(?:#{WEEKDAY})?,?\s*/i
        DAY = /(?<day>[0-3]?\d)(?:st|nd|rd|th)?/
        YEAR = /(?:,?\s+(?<year>20\d\d))?/
        WORDS = [/#{ENDS}#{DAY}(?:\s+of)?\s+#{MONTH}#{YEAR}/i, /#{ENDS}#{MONTH}\s+#{DAY}\b#{YEAR}/i].freeze
        DIGITS = [
          /#{ENDS}(?<year>20\d\d)-(?<month>\d\d)-(?<day>\d\d)\b/i,
          /#{ENDS}(?<day>\d\d?)\.(?<month>\d\d?)\.(?<year>20\d\d)\b/i
        ].freeze

        # Days back to which a day without a year is taken for one that has passed; further back, the coming one is
        # meant. Common practice, no source: offers run for weeks, and what is named as an end mostly lies ahead.
        PASSED = 120

        End = Struct.new(:date, :words, keyword_init: true)

        module_function

        # @param on [Date] the day of the post; a day without a year is the first one after PASSED days before it
        # @return [Array<End>] in the order in which the days come in time
        def ends(text, on)
          [*WORDS, *DIGITS].flat_map { |pattern| scan(text, pattern, on) }.sort_by(&:date)
        end

        # @return [Array<End>] those that are over on the day of the post
        def over(text, on)
          ends(text, on).select { |found| found.date < on }
        end

        def scan(text, pattern, on)
          found = []
          text.scan(pattern) do
            match = Regexp.last_match
            date = date(match, on)
            found << End.new(date: date, words: match[0].strip.delete_suffix(".")) if date
          end
          found
        end

        def date(match, on)
          day = match[:day].to_i
          month = month(match[:month])
          return valid(match[:year].to_i, month, day) if match[:year]

          [on.year - 1, on.year, on.year + 1].filter_map { |year| valid(year, month, day) }
            .find { |date| date >= on - PASSED }
        end

        def month(text)
          return text.to_i if text.match?(/\A\d+\z/)

          Date::ABBR_MONTHNAMES.index(text[0, 3].capitalize)
        end

        def valid(year, month, day)
          Date.new(year, month, day) if Date.valid_date?(year, month, day)
        end
      end
    end
  end
end
