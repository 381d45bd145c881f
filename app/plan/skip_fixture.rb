# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Leaves a fixture out on one of its days, or puts it back there. A day that has its post already keeps it.
      class SkipFixture < Act
        opens :fixture, "pencil"

        # @param fixture_id [String]
        # @param day [String] ISO date
        # @param skipped [Boolean] false puts it back
        # @raise [Core::Invalid] not_its_day
        def call(fixture_id:, day:, skipped:)
          date = Core::Plan::Iso.day(day, now, field: "day")
          raise FixtureDay.none(date) unless FixtureDay.of?(row, date)

          here = rows(:fixture_days).where(fixture_id: fixture_id, day: date)
          done = skipped ? skip(fixture_id, date) : here.where(post_id: nil).delete.positive?
          return unless done

          record(skipped ? "fixture_skipped" : "fixture_put_back", facts: { word: row[:word], day: day })
          announce("plan", ids: [])
        end

        private

        def skip(id, date)
          fresh = { workspace_id: member.workspace_id, fixture_id: id, day: date }
          scope.db[:fixture_days].insert_conflict.returning(:day).insert(fresh).any?
        end
      end
    end
  end
end
