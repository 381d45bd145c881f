# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Takes a route off the list. Posts and campaigns that pass it go on passing it.
      class ArchiveRoute < RouteAct
        opens :client, "change_route", locks: :client

        # @raise [Core::Conflict] is_default
        def call(route_id:)
          found = route(route_id)
          raise default(found) if found[:is_default]

          rows(:routes).where(id: found[:id]).update(archived_at: now)
          record("route_archived", facts: { route: found[:name] })
          announce("settings", ids: [])
        end

        private

        def default(route)
          Core::Conflict.new(
            "is_default",
            "Every post passes “#{route[:name]}” that has no other route.",
            way_on: "Change its steps instead."
          )
        end
      end
    end
  end
end
