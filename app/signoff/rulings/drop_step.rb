# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Takes a step out of what a post must pass, whatever stands there from now on. What was asked there is withdrawn.
      # As long as somebody wants a change there, it stays.
      class DropStep < RulingAct
        opens :post, "rule", stand: true, whole: true

        WITHOUT = "A step is dropped for a reason."

        private

        def rule(step, why)
          left = post.adaptations.reject(&:sent?)
          raise nothing_here(step, "dropped") if left.empty?

          require_unblocked!(step, left, "dropped")
          keep_ruling("drop", step, left, why)
          EndLines.call(environment, member, adaptation_ids: left.map(&:id), as: "withdrawn", step_id: step.id)
          record("step_dropped", post_id: post.id, facts: ruled(step, left, why))
        end
      end
    end
  end
end
