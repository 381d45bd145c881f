# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Finds a file of a campaign.
      class OpenFile < Act
        opens :campaign_file, "see_campaign"

        # @return [Hash] {path:, mime:, name:}
        def call(**)
          { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
        end
      end
    end
  end
end
