# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Finds a file beside a post.
      class OpenFile < Act
        opens :post_file, nil

        # @return [Hash] {path:, mime:, name:}
        def call(**)
          { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
        end
      end
    end
  end
end
