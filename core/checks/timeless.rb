# frozen_string_literal: true

require_relative "dates_in_text"

module AskFirst
  module Core
    module Checks
      # Whether a text can be used again some other day: it names no day, no hour and no price. English words, and
      # figures as they are written anywhere. What is a name of a day or month only by chance ("may", "sun") counts
      # only with a figure or in a phrase. Common practice, no source.
      module Timeless
        DAYS = /\b(?:#{Date::DAYNAMES.join("|")})s?\b/
        SOON = /\b(?:today|tonight|tomorrow|yesterday)\b/i
        NEAR = /\b(?:this (?:week|weekend|month|morning|evening)|next (?:week|month|year))\b/i
        DATE =
          /\b(?:[0-3]?\d(?:st|nd|rd|th)?\s+#{DatesInText::MONTH}|#{DatesInText::MONTH}\s+[0-3]?\d\b|20\d\d-\d\d-\d\d)/i
        CLOCK = /\b(?:[01]?\d|2[0-3])[:.][0-5]\d\b|\b\d{1,2}\s?(?:am|pm)\b/i
        PRICE = /[€£$¥]\s?\d+(?:[.,]\d+)?|\b\d+(?:[.,]\d+)?\s?(?:€|£|\$|¥|EUR|GBP|USD|euros?|pounds?|dollars?|%)(?!\w)/i
        NAMES = { "a day" => [DAYS, SOON, NEAR, DATE], "a time" => [CLOCK], "a price" => [PRICE] }.freeze

        module_function

        # @return [Array<String>] of "a day", "a time", "a price"; empty for what can be used again
        def names(text)
          # 9.50 is an hour only where it is no price
          priceless = text.gsub(PRICE, "")
          NAMES.select { |name, patterns| patterns.any? { |one| one.match?(name == "a time" ? priceless : text) } }.keys
        end
      end
    end
  end
end
