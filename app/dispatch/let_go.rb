# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Whoever took up something to publish by hand lets it go again: it was not published.
      class LetGo < ShowingAct
        opens :showing, "hand_over", lock: true

        def call(showing_id:)
          write do
            enter
            mine = row[:claimed_by] == member.person_id
            let_go = mine && move(:let_go, row, "let_go", member.name, claimed_by: nil, claimed_at: nil)
            raise Core::Conflict.new("not_taken_up", "You have not taken this up.", way_on: "Look again.") unless let_go

            refresh_stage([row[:post_id]])
          end
        end
      end
    end
  end
end
