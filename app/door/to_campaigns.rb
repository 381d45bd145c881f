# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Campaigns and labels of a client.
      module ToCampaigns
        # A campaign; without an id one that is new.
        def campaign(input)
          agency_only!("This campaign")
          row = find(:campaigns, input[:campaign_id], "This campaign") if input[:campaign_id]
          require!(@act)
          Opened.new(row: row)
        end

        def campaign_file(input)
          agency_only!("This file")
          campaign(input)
          file =
            find(:brand_files, input[:file_id], "This file") do |files|
              files.where(removed_at: nil, campaign_id: input[:campaign_id])
            end
          Opened.new(row: file)
        end

        def label(input)
          agency_only!("This label")
          row = find(:labels, input[:label_id], "This label") { |labels| labels.where(merged_into: nil) }
          require!(@act)
          Opened.new(row: row)
        end
      end
    end
  end
end
