# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Which answers stand in the way. A change or no counts whatever it echoes. It blocks the adaptation until its
      # giver says yes there, or that step is asked again, after it, on content that is neither what the giver looked
      # at nor what stood when they gave it; the fingerprint it was given on stays blocked until its giver's own yes
      # to it. Somebody with `govern` may set aside what one who has left had wanted. An advisory step never blocks, nor
      # does one that was dropped on record.
      module Blocks
        module_function

        # @param facts [Facts]
        # @return [Array<Answer>] the blocking answers, oldest first
        def of(facts)
          required = facts.steps.select(&:required).map(&:id)
          facts.answers.select do |answer|
            !answer.yes? && required.include?(answer.step_id) && latest_refusal?(answer, facts) &&
              !set_aside?(answer, facts) && blocks?(answer, facts)
          end
        end

        def blocks?(refusal, facts)
          later_yes = later_yeses(refusal, facts)
          on_content =
            facts.fingerprint == refusal.fingerprint && later_yes.none? { |yes| yes.fingerprint == refusal.fingerprint }
          on_content || (later_yes.empty? && !asked_again?(refusal, facts))
        end

        def set_aside?(answer, facts)
          facts.rulings.any? do |one|
            one.kind == "set_aside" && one.step_id == answer.step_id && one.place_person_id == answer.person_id &&
              one.order > answer.order
          end
        end

        def latest_refusal?(answer, facts)
          facts.answers.none? do |other|
            !other.yes? && same_giver?(other, answer) && other.fingerprint == answer.fingerprint &&
              other.order > answer.order
          end
        end

        # A yes that somebody else gave in their name lifts nothing.
        def later_yeses(refusal, facts)
          facts.answers.select do |answer|
            answer.yes? && !answer.in_name? && same_giver?(answer, refusal) && answer.order > refusal.order
          end
        end

        def asked_again?(refusal, facts)
          facts.asked.any? do |asked|
            asked.step_id == refusal.step_id && asked.order > refusal.order &&
              ![refusal.fingerprint, refusal.stood].include?(asked.fingerprint)
          end
        end

        def same_giver?(one, other)
          one.person_id == other.person_id && one.step_id == other.step_id
        end
      end
    end
  end
end
