# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Somebody takes up what is to be published by hand: checked again under all locks, exactly as the dispatcher
      # would. From now on it is under way, and nobody else does it too.
      class TakeUp < ShowingAct
        opens :showing, "hand_over", lock: :sending, stand: true

        def call(showing_id:)
          write do
            enter
            require_free!(row)
            adaptation = post.adaptation(row[:adaptation_id])
            require_standing!(adaptation&.verdict, adaptation&.release)
            raise Releasable.without_right(adaptation) if adaptation.unusable
            move(:take_up, row, "taken_up", member.name, claimed_by: member.person_id, claimed_at: now)
            record(
              "taken_up",
              post_id: row[:post_id],
              adaptation_id: row[:adaptation_id],
              facts: {
                channel: adaptation.channel[:name]
              }
            )
            refresh_stage([row[:post_id]])
          end
        end

        private

        def require_free!(showing)
          unless showing[:state] == "by_hand"
            raise Core::Conflict.new(
                    "not_due",
                    "There is nothing to publish by hand here (any more).",
                    way_on: "Look at the dispatch log."
                  )
          end
          # who is not a member any more has let it go
          return unless (colleagues.map(&:person_id) - [member.person_id]).include?(showing[:claimed_by])

          raise Core::Conflict.new(
                  "taken_up",
                  "#{names[showing[:claimed_by]]} has taken this up already.",
                  way_on: "Ask them, or wait until they let it go."
                )
        end

        def require_standing!(verdict, release)
          if verdict&.held?
            raise Core::Conflict.new("held", "This is on hold; nothing goes out.", way_on: "Look at the hold's reason.")
          end
          return if release && verdict.release_stands?

          raise Core::Conflict.new(
                  "not_released",
                  "What is to go out is not what was released, or a yes is missing.",
                  way_on: "Look at the post."
                )
        end
      end
    end
  end
end
