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
        # @return [String, nil] path of the font; nil where none is chosen
        # @raise [Core::Invalid] no_font
        def path(kit, files, edit)
          id = edit.dig("words", "font") or return
          row = files.where(id: id, mime: TYPES, removed_at: nil).first or raise none

          kit.files.path(row[:file])
        end

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
