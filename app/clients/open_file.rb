# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Finds the file behind a client's mark or a row of the brand sheet, through the same door as everything else.
      class OpenFile < Act
        # The client's mark, where it is a picture.
        class Mark < OpenFile
          opens :client, "see_brand"

          # @return [Hash] {path:, mime:}
          def call
            raise Core::NotFound, "This mark" unless workspace[:mark_picture]

            { path: kit.files.path(workspace[:mark_picture]), mime: "image/jpeg" }
          end
        end

        # A file of the brand sheet.
        class Brand < OpenFile
          opens :brand_file, "see_brand"

          # @return [Hash] {path:, mime:, name:}
          def call(file_id:)
            { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
          end
        end
      end
    end
  end
end
