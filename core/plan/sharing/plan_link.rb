# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # A link under which a client sees the coming weeks of their plan: for whom it is, how far it shows ahead, and
      # when it ends.
      class PlanLink
        MOST = 20 # that work at once, of one client
        NAME = Lengths::NAME
        DAYS = (1..365) # after which it ends
        WEEKS = (1..26) # that it shows
        DAY = 86_400 # seconds

        attr_reader :name, :weeks, :ends_at

        class << self
          # @param name [String] for whom it is
          # @param weeks [Integer] that it shows
          # @param days [Integer] after which it ends
          # @param now [Time]
          # @return [PlanLink]
          # @raise [Invalid] name_missing, too_long, bad_weeks, bad_days
          def read(name:, weeks:, days:, now:)
            text = Posts::Text.line(name, field: "name", limit: NAME)
            raise invalid("name_missing", "The link needs a name.", "name", "Say for whom it is.") if text.empty?
            unless within?(weeks, WEEKS)
              raise invalid("bad_weeks", "It shows #{WEEKS.first} to #{WEEKS.last} weeks.", "weeks", "Choose how many.")
            end
            unless within?(days, DAYS)
              raise invalid("bad_days", "It ends after #{DAYS.first} to #{DAYS.last} days.", "days", "Choose when.")
            end

            new(name: text, weeks: weeks, ends_at: now + (days * DAY))
          end

          # @param ends_at [Time]
          # @param revoked_at [Time, nil]
          # @param now [Time]
          # @return [Boolean] whether a link shows the plan; from the moment of its end on it does not
          def works?(ends_at:, revoked_at:, now:) = revoked_at.nil? && ends_at > now

          # @return [Invalid]
          def too_many
            invalid("too_many_links", "There are #{MOST} plan links here already.", "name", "Revoke one first.")
          end

          private

          def within?(number, span) = number.is_a?(Integer) && span.cover?(number)

          def invalid(code, sentence, field, way_on)
            Invalid.new(code, sentence, field: field, way_on: way_on)
          end
        end

        # @param ends_at [Time]
        def initialize(name:, weeks:, ends_at:)
          @name = name
          @weeks = weeks
          @ends_at = ends_at
        end
      end
    end
  end
end
