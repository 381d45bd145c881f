# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Something unexpected happened to one showing while it was looked at. A planned one is told and tried again;
      # for any other its row says when it is looked at next.
      class Broken < ShowingAct
        # @param error [Exception]
        def call(showing:, error:)
          SemanticLogger["Dispatch"].error("showing #{showing[:id]}", error)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            found = rows(:showings).where(id: showing[:id]).first
            next keep_broken(nil, found, live_release(found), Fault.sentence(error)) if found[:state] == "planned"

            rows(:showings).where(id: showing[:id], state: "unclear").update(
              due_at: environment.now + Core::Dispatch::Patience.wait(found[:tries] + 1)
            )
          end
        end
      end
    end
  end
end
