# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The note to the team beside a post: house talk that stands, not a conversation.
      class UpdateNote < UpdateBeside
        opens :post, "house_talk"

        LIMIT = 8_000

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, note:, version:)
          clean = Core::Posts::Text.clean(note, field: "note", limit: LIMIT)
          put(:note, clean, version, as: "note_saved", called: "the note")
        end
      end
    end
  end
end
