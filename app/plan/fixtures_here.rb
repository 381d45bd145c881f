# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The fixtures of a client, in words, with their next days.
      class FixturesHere < Act
        reads :client, "see_campaign"

        NEXT = 6
        AHEAD = 800 # days that are looked through for the next ones

        # @return [Hash] JSON-ready
        def call
          today = Date.iso8601(Core::Plan::WallTime.at(now, workspace[:zone]).local_date)
          span = today..(today + AHEAD)
          { fixtures: Store::Plan::Fixtures.of(scope, span).map { |row| json(row, span) } }
        end

        private

        def json(row, span)
          {
            **row.slice(
              :id,
              :word,
              :rule,
              :clock,
              :label_id,
              :label,
              :owner_id,
              :owner,
              :days_before,
              :makes,
              :version
            ),
            first: row[:first_day],
            last: row[:last_day],
            words: Core::Plan::RecurrenceWords.of(Store::Plan::Fixtures.fixture(row).recurrence),
            channels: row[:channels].map { |one| one.slice(:id, :network, :initials, :name) },
            next: Store::Plan::Fixtures.days(row, span).first(NEXT).map(&:iso8601),
            skipped: row[:gone].select { |one| one[:post_id].nil? }.map { |one| one[:day] }
          }
        end
      end
    end
  end
end
