# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Whoever took up something to publish by hand lets it go again: it was not published.
      class LetGo < ShowingAct
        def call(showing_id:)
          write do
            found = fetch(:showings, showing_id, "This showing")
            require_ability!("hand_over", on: touching(channel_ids: [found[:channel_id]]))
            Store::Gates.for_posts(scope, [found[:post_id]])
            mine = rows(:showings).where(id: showing_id, state: "by_hand", claimed_by: member.person_id)
            raise Core::Conflict.new("not_taken_up", "You have not taken this up.", way_on: "Look again.") if mine.update(claimed_by: nil, claimed_at: nil).zero?

            attempt(found, "let_go", member.name)
            restage([found[:post_id]])
          end
        end
      end
    end
  end
end
