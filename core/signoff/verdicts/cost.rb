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
          costs =
            verdict.steps.filter_map do |standing|
              standing.open_ask && "The ask to #{list(standing.open_ask.people, names)} is withdrawn."
            end
          costs << "Its release ends." if facts.released
          givers = verdict.steps.flat_map(&:counting).map(&:person_id).uniq
          costs << "#{yeses(givers, names)} will not count on other content." if givers.any?
          costs
        end

        # What being taken off its channel would cost: what was opened for it keeps the yeses of before.
        # @return [Array<String>]
        def of_leaving(verdict, names)
          givers = verdict.steps.flat_map(&:counting).map(&:person_id).uniq
          return [] if givers.empty?

          ["#{yeses(givers, names)} #{givers.one? ? "stays" : "stay"} behind."]
        end

        # What another time would cost, by the workspace's policy. A release goes along to a time that its yeses hold
        # for; without a time there is nothing to release for.
        # @param time [Plan::WallTime, nil] the new one
        # @return [Array<String>] empty when it costs nothing and moves nothing
        def of_time(verdict, time, names)
          void = voided(verdict, time)
          givers = verdict.steps.flat_map(&:counting).map(&:person_id).uniq
          costs = overtaken(verdict, time, names)
          if void.any?
            costs << "#{yeses(void, names)} will not count #{time ? "for that day" : "without a time"} and must be " \
              "asked again."
          elsif givers.any?
            costs << "#{yeses(givers, names)} still #{givers.size == 1 ? "counts" : "count"}."
          end
          if verdict.facts.released
            costs << (void.any? || time.nil? ? "Its release ends." : "Its release moves with it.")
          end
          costs
        end

        # @return [Array<String>] ids of those whose yes would not hold for that time
        def voided(verdict, time)
          verdict
            .steps
            .flat_map(&:counting)
            .reject { |answer| holds?(verdict, answer.time, time) }
            .map(&:person_id)
            .uniq
        end

        # Open asks that are for the day that was planned: a yes to them could not count for another one.
        def overtaken(verdict, time, names)
          verdict
            .steps
            .filter_map(&:open_ask)
            .reject { |ask| holds?(verdict, ask.time, time) }
            .map do |ask|
              "The ask to #{list(ask.people.sort_by { |id| names.fetch(id) }, names)} is for the time before and " \
                "must be asked again."
            end
        end

        def holds?(verdict, before, after)
          TimePolicy.holds?(verdict.facts.policy, before, after, verdict.facts.zone)
        end

        def yeses(people, names)
          people.size == 1 ? "#{names.fetch(people.first)}’s yes" : "The yeses of #{list(people, names)}"
        end

        def list(people, names)
          words = people.map { |id| names.fetch(id) }
          words.size < 2 ? words.join : "#{words[0...-1].join(", ")} and #{words.last}"
        end
      end
    end
  end
end
