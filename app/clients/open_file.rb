# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Finds the file behind a client's mark or a row of the brand sheet, through the same check as everything else.
      class OpenFile < Act
        # @param file_id [String, nil] a brand file; nil for the mark
        # @return [Hash] {path:, mime:, name:}
        def call(file_id: nil)
          require_ability!("see_brand")
          return mark if file_id.nil?

          row = fetch(:brand_files, file_id, "This file")
          raise Core::NotFound, "This file" if row[:removed_at]

          { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
        end

        private

        def mark
          raise Core::NotFound, "This mark" unless workspace[:mark_picture]

          { path: kit.files.path(workspace[:mark_picture]), mime: "image/jpeg", name: "mark.jpg" }
        end
      end
    end
  end
end
