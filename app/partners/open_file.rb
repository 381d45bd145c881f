# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Finds a file of a partner.
      class OpenFile < Act
        opens :partner_file, "see_partners"

        # @return [Hash] {path:, mime:, name:}
        def call(**)
          { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
        end
      end
    end
  end
end
