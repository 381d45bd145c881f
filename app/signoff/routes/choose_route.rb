# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Another route for one post, with a reason on record. What was asked of it stays in its demand.
      class ChooseRoute < RouteAct
        opens :post, "choose_route", whole: true

        # @param route_id [String, nil] nil for the one of its campaign or client
        def call(post_id:, route_id:, reason:)
          choose(route_id, reason) do |found, why|
            rows(:posts).where(id: post_id).update(route_id: found && found[:id])
            record("route_chosen", post_id: post_id, facts: { route: found && found[:name], reason: why })
            refresh_stage([post_id])
          end
        end
      end
    end
  end
end
