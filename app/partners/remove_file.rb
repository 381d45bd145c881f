# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Takes a file off a partner.
      class RemoveFile < Act
        opens :partner_file, "keep_partner"

        # @return [void]
        def call(partner_id:, file_id:)
          rows(:brand_files).where(id: file_id, partner_id: partner_id).update(removed_at: now)
          record("partner_file_removed", facts: { name: row[:name] })
          announce("partners", ids: [])
        end
      end
    end
  end
end
