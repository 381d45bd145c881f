# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Campaigns
      # What a campaign is planned to be: its period, its goal, its brief and its budget.
      class Campaign
        NAME = Lengths::TITLE
        GOAL = Lengths::GOAL
        BRIEF = Lengths::BRIEF
        LONGEST = 732 # days
        MONEY = 1_000_000_000_000 # minor units

        attr_reader :name, :days, :goal, :brief, :budget

        class << self
          # @param first [String, nil] such as 2026-10-01; nil or "" for no period yet
          # @param last [String, nil] inclusive
          # @param budget [Hash, nil] {"minor" => Integer, "currency" => String}
          # @raise [Invalid] name_missing, too_long, bad_date, time_out_of_reach, half_period, ends_before,
          #   too_many_days, bad_budget, bad_currency
          def read(name:, first:, last:, goal:, brief:, budget:, now:)
            new(
              name: named(name),
              days: days(first.to_s, last.to_s, now),
              goal: Posts::Text.line(goal.to_s, field: "goal", limit: GOAL),
              brief: Posts::Text.clean(brief.to_s, field: "brief", limit: BRIEF).strip,
              budget: money(budget)
            )
          end

          private

          def named(name)
            text = Posts::Text.line(name, field: "name", limit: NAME)
            return text unless text.empty?

            raise Invalid.new(
                    "name_missing",
                    "A campaign needs a name.",
                    field: "name",
                    way_on: "Say what it is about."
                  )
          end

          def days(first, last, now)
            return if first.empty? && last.empty?

            if first.empty? || last.empty?
              raise wrong("half_period", "A period has a first and a last day.", first.empty? ? "first" : "last")
            end

            from = Core::Plan::Iso.day(first, now, field: "first")
            to = Core::Plan::Iso.day(last, now, field: "last")
            raise wrong("ends_before", "It ends before it begins.", "last") if to < from
            raise wrong("too_many_days", "A campaign lasts two years at most.", "last") if (to - from) >= LONGEST

            from..to
          end

          def wrong(code, sentence, field)
            Invalid.new(code, sentence, field: field, way_on: "Look at both days.")
          end

          def money(budget)
            return if budget.nil?

            minor = budget["minor"]
            unless minor.is_a?(Integer) && minor.between?(0, MONEY)
              raise Invalid.new(
                      "bad_budget",
                      "A budget is an amount, and not less than nothing.",
                      field: "budget",
                      way_on: "Write it like 1200."
                    )
            end

            { minor: minor, currency: Currency.clean(budget["currency"], field: "budget") }
          end
        end

        # @param days [Range<Date>, nil]
        # @param budget [Hash, nil] {minor:, currency:}
        def initialize(name:, days:, goal:, brief:, budget:)
          @name = name
          @days = days
          @goal = goal
          @brief = brief
          @budget = budget
        end
      end
    end
  end
end
