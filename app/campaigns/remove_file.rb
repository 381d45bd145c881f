# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Takes a file off a campaign.
      class RemoveFile < Act
        opens :campaign_file, "plan_campaign"

        # @return [void]
        def call(campaign_id:, file_id:)
          rows(:brand_files).where(id: file_id, campaign_id: campaign_id).update(removed_at: now)
          record("campaign_file_removed", facts: { name: row[:name] })
          announce("plan", ids: [])
        end
      end
    end
  end
end
