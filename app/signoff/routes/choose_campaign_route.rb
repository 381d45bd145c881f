# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Another route for the posts of a campaign, with a reason on record. A post that has one of its own keeps it.
      class ChooseCampaignRoute < RouteAct
        opens :campaign, "choose_campaign_route", locks: :client

        # @param route_id [String, nil] nil for the client's
        def call(campaign_id:, route_id:, reason:)
          choose(route_id, reason) do |found, why|
            rows(:campaigns).where(id: campaign_id).update(route_id: found && found[:id])
            record("campaign_route_chosen", facts: { campaign: row[:name], route: found && found[:name], reason: why })
            refresh_stage(
              rows(:posts).where(campaign_id: campaign_id, discarded_at: nil).exclude(stage: "out").select_map(:id)
            )
            announce("plan", ids: [])
          end
        end
      end
    end
  end
end
