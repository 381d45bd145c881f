# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Puts another sign-off route in the place of today's. Steps that were asked stay in the demand of their posts;
      # what has not been asked passes the new ones. Whoever sets a client up may choose its first route; later that
      # takes `govern_route`.
      class ChangeRoute < Act
        opens :route, nil

        # @param steps [Array<Hash>] as of Core::Signoff::RoutePresets.clean
        # @param seen [String, nil] id of the route that the page showed
        # @return [String] the new route's id
        def call(steps:, seen:, preset: nil)
          clean =
            Core::Signoff::RoutePresets.clean(
              steps,
              self.class.able(colleagues).transform_values { |people| people.map(&:person_id) }
            )
          current = rows(:routes).where(is_default: true).get(:id)
          raise changed(current) if current != seen

          id = Store::Signoff::Routes.add(scope, clean, now, preset: preset)
          record(
            "route_changed",
            facts: {
              steps:
                clean.map do |step|
                  step.slice(:name, :side, :quorum, :n, :hours, :required).merge(
                    people: step[:people].map { |one| names[one] }
                  )
                end
            }
          )
          restage(rows(:posts).exclude(stage: "out").select_map(:id))
          announce("settings", ids: [])
          id
        end

        # @return [Hash{String=>Array<Member>}] who may answer inside, and for the client
        def self.able(members)
          {
            "internal" => members.select { |one| one.side == "agency" && one.abilities.include?("answer_internal") },
            "client" => members.select { |one| one.side == "client" && one.abilities.include?("answer_client") }
          }
        end

        private

        def changed(current)
          Core::Conflict.new(
            "route_changed",
            "Somebody changed the route meanwhile.",
            field: "steps",
            way_on: "Look at it as it is now; what you wrote is kept here.",
            facts: {
              "seen" => current
            }
          )
        end
      end
    end
  end
end
