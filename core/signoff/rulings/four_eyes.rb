# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Where four eyes are wanted, nobody rules on their own words: an author neither fills a place, nor clears for
      # another, nor skips the step.
      module FourEyes
        ABILITY = "skip_steps"

        module_function

        # @param step [Step]
        # @param authors [Array<String>] ids of those with a value in what stands
        # @param people [Array<String, nil>] who would rule, and in whose name
        # @return [Boolean]
        def bars?(step, authors, people) = step.four_eyes && authors.intersect?(people.compact)

        # @param colleagues [Array] members: responding to person_id, name and abilities
        # @return [Array<String>] names of those who can instead
        def who_can(authors, colleagues)
          colleagues.select { |one| one.abilities.include?(ABILITY) && !authors.include?(one.person_id) }.map(&:name)
        end

        # @param done [String] such as "skipped"
        # @param who [Array<String>] of who_can
        # @return [Refused]
        def refusal(done, who)
          Refused.new(
            "four_eyes",
            "You or they wrote part of this, so it is not #{done} by you (four eyes).",
            way_on: way_on(who),
            facts: {
              "who_can" => who
            }
          )
        end

        def way_on(who) = who.empty? ? "Ask the agency's owner." : "#{who.join(", ")} can."
      end
    end
  end
end
