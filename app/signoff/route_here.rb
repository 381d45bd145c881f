# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The client's sign-off route as it stands today, with who could answer, and the presets.
      class RouteHere < Act
        opens :client, "see_people"

        # @return [Hash] JSON-ready
        def call
          route = rows(:routes).where(is_default: true).first
          {
            id: route && route[:id],
            steps: steps,
            able:
              able.transform_values do |people|
                people.map { |one| { id: one.person_id, name: one.name, role: one.role } }
              end,
            presets:
              Core::Signoff::RoutePresets::ALL.map do |key, (words, preset)|
                { key: key, words: words, steps: preset.map { |name, side| { name: name, side: side } } }
              end,
            can: Permissions::Capabilities.of(member, others: colleagues)
          }
        end

        private

        def steps
          Store::Signoff::Routes
            .today(scope)
            .map do |step|
              {
                id: step.id,
                name: step.name,
                side: step.side,
                quorum: step.quorum,
                n: step.n,
                hours: step.hours,
                required: step.required,
                four_eyes: step.four_eyes,
                people: step.people,
                names: step.people.map { |id| names[id] }.sort
              }
            end
        end

        def able
          ChangeRoute.able(colleagues)
        end
      end
    end
  end
end
