# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Finds the file behind a client's logo or a row of the brand sheet, through the same door as everything else.
      class OpenFile < FileAct
        # The client's logo, where it has one.
        class Mark < OpenFile
          reads :client, "see_brand"

          private

          def found
            raise Core::NotFound, "This logo" unless workspace[:logo]

            { file: workspace[:logo], mime: "image/jpeg" }
          end
        end

        # A file of the brand sheet.
        class Brand < OpenFile
          reads :brand_file, "see_brand"
        end
      end
    end
  end
end
