# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The note to the team beside a post: house talk that stands, not a conversation. Immaterial.
      class UpdateNote < Act
        opens :post, "house_talk"

        LIMIT = 8_000

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, note:, version:)
          clean = Core::Posts::Text.clean(note, field: "note", limit: LIMIT)
          return row[:note_version] if row[:note] == clean
          raise changed(row) if row[:note_version] != version

          rows(:posts).where(id: post_id).update(note: clean, note_version: version + 1)
          record("note_saved", post_id: post_id, facts: { before: row[:note], after: clean })
          announce("posts", ids: [post_id])
          version + 1
        end

        private

        def changed(post)
          Core::Changed.new(
            "part_changed",
            "the note",
            field: "note",
            theirs: post[:note],
            version: post[:note_version]
          )
        end
      end
    end
  end
end
