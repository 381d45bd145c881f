# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Plan
      # A day, or some days in a row, that a plan must know: a key date (the client's birthday, a sale, a strike), or
      # other work of the same time (a fair, a print run). It may come back every year.
      class KeyDate
        KINDS = %w[date work].freeze
        NAME = Lengths::WORD
        LONGEST = 366 # days
        MOST = 300 # of one client

        attr_reader :kind, :name, :days, :yearly

        class << self
          # @param first [String] such as 2026-12-06
          # @param last [String, nil] inclusive; nil for the one day
          # @return [KeyDate]
          # @raise [Invalid] name_missing, too_long, bad_kind, bad_date, time_out_of_reach, ends_before, too_many_days
          def read(kind:, name:, first:, last:, yearly:, now:)
            from = Iso.day(first, now, field: "first")
            to = last.to_s.empty? ? from : Iso.day(last, now, field: "last")
            days = checked(from, to)
            raise bad_kind unless KINDS.include?(kind)

            new(kind: kind, name: clean(name), days: days, yearly: yearly ? true : false)
          end

          # @return [Invalid]
          def too_many
            TooMany.new(
              "There are #{MOST} dates in this client's plan already.",
              of: "dates",
              field: "name",
              way_on: "Remove those that are over."
            )
          end

          private

          def clean(name)
            text = Posts::Text.line(name, field: "name", limit: NAME)
            return text unless text.empty?

            raise Invalid.new("name_missing", "The date needs a name.", field: "name", way_on: "Say what is then.")
          end

          def checked(from, to)
            if to < from
              raise Invalid.new("ends_before", "It ends before it begins.", field: "last", way_on: "Look at both days.")
            end
            return from..to if (to - from) < LONGEST

            raise TooMany.new(
                    "A date of a plan lasts at most #{LONGEST} days.",
                    of: "days",
                    field: "last",
                    way_on: "Look at the year, or make several."
                  )
          end

          def bad_kind
            Invalid.new("bad_kind", "It is a key date or other work.", field: "kind", way_on: "Choose one.")
          end
        end

        # @param days [Range<Date>]
        def initialize(kind:, name:, days:, yearly:)
          @kind = kind
          @name = name
          @days = days
          @yearly = yearly
        end

        # When it is, within some days. What comes back every year and has a day that a year does not have (29 February)
        # is left out in that year, never moved. Source: RFC 5545, 3.3.10, of dates that do not exist.
        # @param span [Range<Date>]
        # @return [Array<Range<Date>>]
        def within(span)
          return [days].select { |own| meets?(own, span) } unless yearly

          ((span.first.year - 1)..span.last.year).filter_map { |year| in_year(year) }.select { |own| meets?(own, span) }
        end

        private

        def meets?(own, span) = own.first <= span.last && own.last >= span.first

        def in_year(year)
          return if year < days.first.year || !Date.valid_date?(year, days.first.month, days.first.day)

          first = Date.new(year, days.first.month, days.first.day)
          first..(first + (days.last - days.first).to_i)
        end
      end
    end
  end
end
