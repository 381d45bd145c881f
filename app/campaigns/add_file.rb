# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Adds a file to a campaign: a briefing, an offer, a plan of the stand. Handed out as a download only.
      class AddFile < Clients::AddBrandFile
        opens :campaign, "plan_campaign"

        # @return [String] the file's id
        def call(campaign_id:, **file)
          @campaign_id = campaign_id
          super(**file)
        end

        private

        def place = { campaign_id: @campaign_id }

        def told(file)
          record("campaign_file_added", facts: { campaign: row[:name], **file })
          announce("plan", ids: [])
        end
      end
    end
  end
end
