# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Adds a file to a partner: an agreement, a bill. Handed out as a download only.
      class AddFile < Clients::AddBrandFile
        opens :partner, "keep_partner"

        # @return [String] the file's id
        def call(partner_id:, **file)
          @partner_id = partner_id
          super(**file)
        end

        private

        def place = { partner_id: @partner_id }

        def told(file)
          record("partner_file_added", facts: { partner: row[:name], **file })
          announce("partners", ids: [])
        end
      end
    end
  end
end
