# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Who can fill the places of a step for some content, today: who is away and who stands in for them, who wrote
      # part of it, who may answer there at all and on these channels.
      class WhoAnswers
        # @param scope [Store::Scope] of one workspace
        # @param colleagues [Array<Member>]
        # @param zone [String] the client's
        def initialize(scope, colleagues, now, zone)
          @scope = scope
          @colleagues = colleagues
          @now = now
          @zone = zone
        end

        # @param step [Core::Signoff::Step]
        # @param adaptations [Array<Store::Posts::PostState::Adaptation>] what is asked about
        # @return [Core::Signoff::Places::Around]
        def around(step, adaptations)
          channels = adaptations.map { |one| one.row[:channel_id] }.uniq
          Core::Signoff::Places::Around.new(
            authors: adaptations.flat_map(&:authors).uniq,
            away: away(step.people),
            able: able(step.side, channels)
          )
        end

        private

        # The same for each of many posts at one step.
        def away(people)
          (@away ||= {})[people] ||= Store::People::Absences
            .today(@scope, people, @now, @zone)
            .transform_values { |row| row[:stand_in_id] }
        end

        def able(side, channels)
          ability = Core::Signoff::StillAble::ABILITY.fetch(side)
          @colleagues
            .select do |one|
              one.abilities.include?(ability) && (one.limited_to.nil? || (channels - one.limited_to).empty?)
            end
            .map(&:person_id)
        end
      end
    end
  end
end
