# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # Pencil marks that come back by a rule: "market day, every other Thursday 10:30". What is kept free is a post, on
      # some channels, of some kind, that somebody should have begun some days before.
      class Fixture
        MOST = 100 # of one client
        BEFORE = 90 # days

        attr_reader :word, :recurrence, :last, :clock, :label_id, :owner_id, :days_before, :makes

        class << self
          # @param word [String]
          # @param rule [String] see Recurrence
          # @param first [String] ISO date
          # @param last [String, nil] ISO date, inclusive; nil for no end
          # @param clock [String, nil] such as 10:30
          # @param days_before [Integer] its post should be begun so many days before
          # @param makes [Boolean] whether its draft is made then by itself
          # @raise [Invalid] name_missing, too_long, bad_rule, rule_without_day, bad_date, ends_before, bad_mark_time,
          #   bad_days
          def read(word:, rule:, first:, now:, last: nil, clock: nil, days_before: 7, **more)
            from = Iso.day(first, now, field: "first")
            to = Iso.day(last, now, field: "last") unless last.to_s.empty?
            raise invalid("ends_before", "It ends before it begins.", "last") if to && to < from
            raise invalid("bad_mark_time", "This is no hour of a day.", "clock") unless clock?(clock)
            raise invalid("bad_days", "That is 0 to #{BEFORE} days.", "days_before") unless before?(days_before)

            new(
              word: named(word),
              recurrence: Recurrence.read(rule, first: from),
              last: to,
              clock: clock.to_s.empty? ? nil : clock,
              label_id: more[:label_id],
              owner_id: more[:owner_id],
              days_before: days_before,
              makes: more[:makes] == true
            )
          end

          # @return [Invalid]
          def too_many
            invalid("too_many_fixtures", "There are #{MOST} fixtures here already.", "word")
          end

          private

          def clock?(clock) = clock.to_s.empty? || PencilMark::CLOCK.match?(clock)
          def before?(days) = days.is_a?(Integer) && days.between?(0, BEFORE)

          def named(word)
            text = Posts::Text.line(word, field: "word", limit: PencilMark::WORD)
            text.empty? ? raise(invalid("name_missing", "A fixture needs a word.", "word")) : text
          end

          def invalid(code, sentence, field)
            Invalid.new(code, sentence, field: field, way_on: "Look at it again.")
          end
        end

        # @param recurrence [Recurrence]
        # @param last [Date, nil]
        def initialize(word:, recurrence:, last:, clock:, label_id:, owner_id:, days_before:, makes: false)
          @word = word
          @recurrence = recurrence
          @last = last
          @clock = clock
          @label_id = label_id
          @owner_id = owner_id
          @days_before = days_before
          @makes = makes
        end

        # @param span [Range<Date>]
        # @return [Array<Date>]
        def within(span)
          till = [span.last, last].compact.min
          till < span.first ? [] : recurrence.within(span.first..till)
        end

        # Whether its post for a day should be begun by now.
        def due?(day, today) = today >= day - days_before
      end
    end
  end
end
