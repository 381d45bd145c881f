# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Somebody takes up what is to be published by hand: checked again under all gates, exactly as the dispatcher would. From
      # now on it is under way, and nobody else does it too.
      class TakeUp < ShowingAct
        def call(showing_id:)
          write do
            found = fetch(:showings, showing_id, "This showing")
            require_ability!("hand_over", on: touching(channel_ids: [found[:channel_id]]))
            Store::Gates.for_sending(scope, channel_id: found[:channel_id], post_id: found[:post_id], moves: true)
            current = rows(:showings).where(id: showing_id).for_update.first
            require_free!(current)
            require_standing!(current)
            set(current, claimed_by: member.person_id, claimed_at: now)
            attempt(current, "taken_up", member.name)
            record("taken_up", post_id: current[:post_id], adaptation_id: current[:adaptation_id], facts: { channel: channel(current)[:name] })
            restage([current[:post_id]])
          end
        end

        private

        def require_free!(showing)
          raise Core::Conflict.new("not_due", "There is nothing to publish by hand here (any more).", way_on: "Look at the dispatch log.") unless showing[:state] == "by_hand"
          return if showing[:claimed_by].nil? || showing[:claimed_by] == member.person_id

          raise Core::Conflict.new("taken_up", "#{names[showing[:claimed_by]]} has taken this up already.", way_on: "Ask them, or wait until they let it go.")
        end

        def require_standing!(showing)
          adaptation = standing([showing[:post_id]]).fetch(showing[:post_id]).adaptation(showing[:adaptation_id])
          verdict = adaptation&.verdict
          raise Core::Conflict.new("held", "This is on hold; nothing goes out.", way_on: "Look at the hold's reason.") if verdict&.held?
          return if adaptation&.release && verdict.release_stands?

          raise Core::Conflict.new("not_released", "What is to go out is not what was released, or a yes is missing.", way_on: "Look at the post.")
        end
      end
    end
  end
end
