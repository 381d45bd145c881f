# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What an edit would make of a picture, at the size of the screen. Nothing is kept.
      class EditPreview < Act
        opens :media, "see_post"

        # @param edit [Hash] see Core::Media::Edit
        # @return [String] bytes of a JPEG
        def call(media_id:, edit:)
          clean = EditMedium.clean(row, edit)
          kit.files.open("#{row[:file]}.preview") { |io| kit.kinds.edit(io, clean, "image/jpeg") }
        end
      end
    end
  end
end
