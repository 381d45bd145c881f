# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Takes a file off the brand sheet.
      class RemoveBrandFile < Act
        def call(file_id:)
          require_ability!("change_settings")
          row = fetch(:brand_files, file_id, "This file")
          raise Core::NotFound, "This file" if row[:removed_at]

          rows(:brand_files).where(id: file_id).update(removed_at: now)
          record("brand_file_removed", facts: { name: row[:name] })
          announce("brand", ids: [])
        end
      end
    end
  end
end
