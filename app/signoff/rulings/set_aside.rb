# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Sets aside what somebody wanted changed who is no member any more, so that nobody can take it back: with a
      # reason, as a ruling of its own that is shown for ever. It gives no yes; the step waits for one as before.
      class SetAside < RulingAct
        WITHOUT = "What somebody wanted is set aside for a reason."

        private

        # @param person_id [String] whose block
        def rule(step, why, person_id:)
          found =
            mine(post.adaptations)
              .reject(&:sent?)
              .select { |one| one.verdict.blocks_at(step.id).any? { |block| block.person_id == person_id } }
          raise nothing_here(step, "set aside") if found.empty?

          require_gone!(person_id)
          keep_ruling("set_aside", step, found, why, place: person_id)
          record(
            "block_set_aside",
            post_id: post.id,
            facts: ruled(step, found, why).merge(person: names[person_id], person_id: person_id)
          )
        end

        # As long as they are here it is theirs to take back.
        def require_gone!(person_id)
          return if colleagues.none? { |one| one.person_id == person_id }

          raise Core::Conflict.new(
                  "still_here",
                  "#{names[person_id]} is a member here, so what they want is theirs to take back.",
                  way_on: "Change it and ask again, or ask them for their own yes."
                )
        end
      end
    end
  end
end
