# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What becomes of everything that is asked now, if a route were changed so. Nothing is written.
      class LookAtRoute < RouteAct
        reads :client, "change_route"

        # @param steps [Array<Hash>] as of Core::Signoff::RouteDraft.clean
        # @return [Array<Hash>] JSON-ready, a step each that was asked: step_id, name, stays (whether it is part of the
        #   route still), waiting (names), posts (asked now), answered (posts with a yes there that are not out)
        def call(route_id:, steps:)
          after = clean(steps)
          before = Store::Signoff::Routes.of(scope, [route(route_id)[:id]])
          before.filter_map do |step|
            asked = Store::Signoff::OpenLines.new(scope).at_step(step.id)
            answered = answered_at(step.id)
            next if asked.empty? && answered.zero?

            {
              step_id: step.id,
              name: step.name,
              stays: after.any? { |one| one[:id] == step.id && Store::Signoff::Routes.same?(step, one) },
              waiting: asked.flat_map { |row| row[:people].to_a }.uniq.filter_map { |id| names[id] }.sort,
              posts: asked.size,
              answered: answered
            }
          end
        end

        private

        def answered_at(step_id)
          rows(:answers)
            .where(step_id: step_id, verdict: "yes")
            .where(post_id: rows(:posts).exclude(stage: "out").select(:id))
            .select(:post_id)
            .distinct
            .count
        end
      end
    end
  end
end
