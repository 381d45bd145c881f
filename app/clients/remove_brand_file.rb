# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Takes a file off the brand sheet.
      class RemoveBrandFile < Act
        opens :brand_file, "change_settings"

        def call(file_id:)
          rows(:brand_files).where(id: file_id).update(removed_at: now)
          record("brand_file_removed", facts: { name: row[:name] })
          announce("brand", ids: [])
        end
      end
    end
  end
end
