# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Strikes a place of a step, or counts it as filled, for exactly what stands now. The last place cannot be struck;
      # the step can be skipped.
      class RulePlace < RulingAct
        WITHOUT = "A place is struck or filled for a reason."
        WORDS = { "strike" => "struck", "fill" => "filled" }.freeze

        private

        # @param kind [String] strike or fill
        # @param person_id [String, nil] whose place; nil for one that is open to any of those asked
        def rule(step, why, kind:, person_id: nil)
          found = at(step).select { |adaptation| place?(adaptation, step, person_id) }
          raise nothing_here(step, WORDS.fetch(kind)) if found.empty?
          require_other_hand!(step, found, "filled") if kind == "fill"
          raise last_place(step) if kind == "strike" && found.any? { |one| step_state(one, step).places.size < 2 }

          keep_ruling(kind, step, found, why, place: person_id)
          record(
            kind == "strike" ? "place_struck" : "place_filled",
            post_id: post.id,
            facts: ruled(step, found, why).merge(person: person_id && names[person_id], person_id: person_id)
          )
          end_answered(step, found)
        end

        # A place that is not filled yet.
        def place?(adaptation, step, person_id)
          step_state(adaptation, step).open_places.include?(person_id)
        end

        def last_place(step)
          Core::Conflict.new(
            "last_place",
            "This is the last place of “#{step.name}”.",
            way_on: "Fill it, or skip the step."
          )
        end
      end
    end
  end
end
