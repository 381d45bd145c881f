# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What an edit would make of a picture, at the size of the screen. Nothing is kept.
      class EditPreview < Act
        stepwise
        reads :media, "see_post"

        # @param edit [Hash] see Core::Media::Edit
        # @return [String] bytes of a JPEG
        def call(media_id:, edit:)
          reading { enter }
          clean = EditMedium.clean(row, edit)
          font = WordsFont.path(environment, reading { WordsFont.file(rows(:brand_files), clean) })
          ::File.open(Previews.path(environment, row, Previews::LARGE), "rb") do |io|
            environment.media.edit(io, clean, "image/jpeg", font: font)
          end
        end
      end
    end
  end
end
