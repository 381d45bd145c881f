# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Finds a file of a campaign.
      class OpenFile < FileAct
        reads :campaign_file, "see_campaign"
      end
    end
  end
end
