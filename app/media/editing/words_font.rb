# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # The font of a client in which words are written on a picture: one of the files of its brand sheet.
      module WordsFont
        TYPES = %w[font/ttf font/otf].freeze

        module_function

        # @param files [Sequel::Dataset] brand_files of the client
        # @param edit [Hash] as of Core::Media::Edit.clean
        # @return [String, nil] the font's file; nil where none is chosen
        # @raise [Core::Invalid] no_font
        def file(files, edit)
          id = edit.dig("words", "font") or return

          files.where(id: id, mime: TYPES, removed_at: nil).get(:file) or raise none
        end

        # @return [String, nil] where it can be read
        def path(environment, file) = file && environment.files.path(file)

        def none
          Core::Invalid.new(
            "no_font",
            "This font is not on the brand sheet any more.",
            field: "words",
            way_on: "Choose another one, or add its TrueType or OpenType file there."
          )
        end
        private_class_method :none
      end
    end
  end
end
