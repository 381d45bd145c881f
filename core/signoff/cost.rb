# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # What an act would cost, in sentences, so that it can be said before.
      module Cost
        module_function

        # @param verdict [Verdict]
        # @param names [Hash] person id => name
        # @return [Array<String>] empty when opening costs nothing
        def of_opening(verdict, names)
          facts = verdict.facts
          costs = verdict.steps.filter_map { |standing| standing.open_ask && "The ask to #{list(standing.open_ask.people, names)} is withdrawn." }
          costs << "Its release ends." if facts.released
          givers = verdict.steps.flat_map(&:counting).map(&:person_id).uniq
          costs << "#{yeses(givers, names)} will not count on other content." if givers.any?
          costs
        end

        # What another time would cost, by the workspace's policy.
        # @param time [Plan::WallTime, nil] the new one
        def of_time(verdict, time, names)
          counting = verdict.steps.flat_map(&:counting)
          void = counting.reject { |answer| TimePolicy.holds?(verdict.facts.policy, answer.time, time) }.map(&:person_id).uniq
          if void.any?
            return ["#{yeses(void, names)} will not count for that day and must be asked again.",
                    ("Its release ends." if verdict.facts.released)].compact
          end
          return [] if counting.empty?

          givers = counting.map(&:person_id).uniq
          kept = ["#{yeses(givers, names)} still #{givers.size == 1 ? 'counts' : 'count'}."]
          kept << "Its release moves with it." if verdict.facts.released
          kept
        end

        def yeses(people, names)
          people.size == 1 ? "#{names.fetch(people.first)}’s yes" : "The yeses of #{list(people, names)}"
        end

        def list(people, names)
          words = people.map { |id| names.fetch(id) }
          words.size < 2 ? words.join : "#{words[0...-1].join(', ')} and #{words.last}"
        end
      end
    end
  end
end
