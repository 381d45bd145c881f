# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Moves a live release to the post's new time, inside the transaction that changed the time.
      class MoveRelease < Act
        inside

        # @return [Hash, nil] the release that took its place; nil for a time that has passed: restaging ends it, and
        # says so
        def call(release:, time:)
          return if time.at <= now

          rows(:releases).where(id: release[:id]).update(ended_at: now, ended_why: "moved to another time")
          moved =
            release.slice(:post_id, :showing_id, :adaptation_id, :revision_adaptation_id, :fingerprint).merge(
              id: new_id,
              wall: time.wall,
              zone: time.zone,
              at: time.at,
              released_by: member.person_id,
              released_at: now
            )
          scope.insert(:releases, moved)
          by_hand = rows(:showings).where(id: release[:showing_id], state: "by_hand").first
          if by_hand
            Store::Dispatch::Moves.make(
              scope,
              :plan_anew,
              [Store::Dispatch::Moves::Moving.new(row: by_hand, set: { due_at: time.at })],
              at: now
            )
          end
          record(
            "release_moved",
            post_id: release[:post_id],
            adaptation_id: release[:adaptation_id],
            facts: {
              time: time.to_h
            }
          )
          release.merge(moved)
        end
      end
    end
  end
end
