# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # A rule before it is kept: in words, with its first days.
      class LookAtRule < Act
        reads :client, "see_campaign"

        SHOWN = 8
        AHEAD = 12 * Core::Plan::Recurrence::SEARCHED # months

        # @param rule [String]
        # @param first [String] ISO date
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_rule, rule_without_day, bad_date
        def call(rule:, first:)
          from = Core::Plan::Iso.day(first, now, field: "first")
          found = Core::Plan::Recurrence.read(rule, first: from)
          {
            words: Core::Plan::RecurrenceWords.of(found),
            days: found.within(from..(from >> AHEAD)).first(SHOWN).map(&:iso8601)
          }
        end
      end
    end
  end
end
