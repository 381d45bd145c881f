# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # It is time for something that no network takes: it waits for a person, who is told.
      class DueByHand < ShowingAct
        def call(showing:)
          write do
            Store::Gates.for_posts(scope, [showing[:post_id]])
            next if rows(:showings).where(id: showing[:id], state: "planned").update(state: "by_hand").zero?

            release = live_release(showing)
            attempt(showing, "due_by_hand")
            record("due_by_hand", post_id: showing[:post_id], adaptation_id: showing[:adaptation_id], facts: { channel: channel(showing)[:name] })
            owner = rows(:posts).where(id: showing[:post_id]).get(:owner_id)
            People::Notify.call(kit, member, person_ids: [release[:released_by], owner], kind: "task", post_id: showing[:post_id],
              words: "Publish it by hand now on #{channel(showing)[:name]}.")
            restage([showing[:post_id]])
          end
        end
      end
    end
  end
end
