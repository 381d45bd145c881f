# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Skips a step for exactly what stands now, on record, by someone with `govern`.
      class SkipStep < RulingAct
        WITHOUT = "A skip needs its reason."

        private

        def rule(step, why)
          waiting = at(step)
          if waiting.empty?
            raise Core::Conflict.new(
                    "nothing_to_skip",
                    "Nothing waits at “#{step.name}” now.",
                    way_on: "Look at where it stands."
                  )
          end

          require_unblocked!(step, waiting, "skipped")
          require_other_hand!(step, waiting, "skipped")
          keep_ruling("skip", step, waiting, why)
          EndLines.call(environment, member, adaptation_ids: waiting.map(&:id), as: "withdrawn")
          record("step_skipped", post_id: post.id, facts: ruled(step, waiting, why))
        end
      end
    end
  end
end
