# frozen_string_literal: true

require "date"
require "rrule"

module AskFirst
  module Core
    module Plan
      # Days that come back by a rule. Source: RFC 5545, 3.3.10 (RRULE), as far as it speaks of days: a day that a month
      # does not have is left out, never moved. The package rrule computes it; here it is kept from rules that it would
      # search for ever.
      class Recurrence
        FREQUENCIES = %w[DAILY WEEKLY MONTHLY YEARLY].freeze
        DAY = "(?:[+-]?[1-5])?(?:MO|TU|WE|TH|FR|SA|SU)"
        PARTS = {
          "FREQ" => /\A(?:#{FREQUENCIES.join("|")})\z/,
          "INTERVAL" => /\A[1-9]\d{0,2}\z/,
          "COUNT" => /\A[1-9]\d{0,3}\z/,
          "UNTIL" => /\A\d{8}(?:T\d{6}Z)?\z/,
          "BYDAY" => /\A#{DAY}(?:,#{DAY})*\z/,
          "BYMONTHDAY" => /\A-?(?:[1-9]|[12]\d|3[01])(?:,-?(?:[1-9]|[12]\d|3[01]))*\z/,
          "BYMONTH" => /\A(?:[1-9]|1[0-2])(?:,(?:[1-9]|1[0-2]))*\z/,
          "BYSETPOS" => /\A-?(?:[1-9]|[12]\d|3[01])(?:,-?(?:[1-9]|[12]\d|3[01]))*\z/,
          "WKST" => /\A(?:MO|SU)\z/
        }.freeze
        LENGTH = 200
        SEARCHED = 5 # years in which a rule must have a day

        attr_reader :rule, :first

        # @param text [String] such as "FREQ=WEEKLY;INTERVAL=2;BYDAY=TH"
        # @param first [Date] on which it begins
        # @return [Recurrence]
        # @raise [Invalid] bad_rule, rule_without_day
        def self.read(text, first:, field: "rule")
          parts = parts(text.to_s.upcase.delete_prefix("RRULE:"), field)
          found = new(parts.map { |name, value| "#{name}=#{value}" }.join(";"), first)
          return found if found.within(first..(first >> (12 * SEARCHED))).any?

          raise Invalid.new(
                  "rule_without_day",
                  "This rule has no day in #{SEARCHED} years.",
                  field: field,
                  way_on: "Look at the day and the month."
                )
        end

        def self.parts(text, field)
          raise bad(text, field) if text.length > LENGTH

          pairs = text.split(";").map { |pair| pair.split("=", 2) }
          ok =
            pairs.all? { |name, value| PARTS[name]&.match?(value.to_s) } && pairs.map(&:first).uniq.size == pairs.size
          raise bad(text, field) unless ok && pairs.assoc("FREQ")
          raise bad(text, field) if pairs.assoc("UNTIL") && !day?(pairs.assoc("UNTIL").last[0, 8])

          pairs.to_h
        end

        def self.day?(text) = Date.valid_date?(text[0, 4].to_i, text[4, 2].to_i, text[6, 2].to_i)

        def self.bad(text, field)
          Invalid.new(
            "bad_rule",
            "“#{text[0, 60]}” is no rule for days.",
            field: field,
            way_on: "Choose one from the list, or write it as RFC 5545 does: FREQ=WEEKLY;INTERVAL=2;BYDAY=TH."
          )
        end
        private_class_method :parts, :day?, :bad

        # @param rule [String] that `read` accepted
        def initialize(rule, first)
          @rule = rule
          @first = first
        end

        # @param span [Range<Date>]
        # @return [Array<Date>] in order
        def within(span)
          from = [span.first, first].max
          return [] if from > span.last

          RRule::Rule
            .new(rule, dtstart: utc(first), tzid: "UTC", max_year: span.last.year)
            .between(utc(from), utc(span.last))
            .map(&:to_date)
        end

        def part(name) = rule.split(";").to_h { |pair| pair.split("=", 2) }[name]

        private

        def utc(day) = Time.utc(day.year, day.month, day.day)
      end
    end
  end
end
