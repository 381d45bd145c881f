# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes the post that a fixture keeps a place for on one of its days: its channels, its hour, its word as the
      # subject, its label, its owner. Made twice at once it is one post.
      class WriteFixture < Act
        opens :fixture, "make_post"

        # @param fixture_id [String]
        # @param day [String] ISO date
        # @param itself [Boolean] whether the fixture made it, and nobody pressed
        # @return [String] the post's id
        # @raise [Core::Invalid, Core::Over] not_its_day, mark_gone
        def call(fixture_id:, day:, itself: false)
          date = Core::Plan::Iso.day(day, now, field: "day")
          raise FixtureDay.none(date) unless FixtureDay.of?(row, date)

          here = { workspace_id: member.workspace_id, fixture_id: fixture_id, day: date }
          raise gone unless scope.db[:fixture_days].insert_conflict.returning(:day).insert(here).any?

          post = make(date)
          rows(:fixture_days).where(fixture_id: fixture_id, day: date).update(post_id: post)
          record("fixture_made", post_id: post, facts: { word: row[:word], itself: itself })
          announce("plan", ids: [post])
          post
        end

        private

        def make(date)
          kept = { channel_ids: @opened.channel_ids, day: date, **row.slice(:word, :clock, :label_id) }
          PlannedPost.call(kit, member, **kept).tap { |id| give(id) }
        end

        # To whom it is for, where they are still here.
        def give(post_id)
          return if row[:owner_id].nil? || colleagues.none? { |one| one.person_id == row[:owner_id] }

          rows(:posts).where(id: post_id).update(owner_id: row[:owner_id])
        end

        def gone
          Core::Over.new(
            "mark_gone",
            "This day of the fixture was skipped, or somebody made its post.",
            way_on: "Look at the plan as it is now."
          )
        end
      end
    end
  end
end
