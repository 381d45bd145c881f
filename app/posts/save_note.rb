# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The note to the team beside a post: house talk that stands, not a conversation. Immaterial.
      class SaveNote < Act
        LIMIT = 8_000

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, note:, version:)
          require_ability!("house_talk")
          clean = Core::Posts::Text.clean(note, field: "note", limit: LIMIT)
          write do
            post = fetch(:posts, post_id, "This post")
            require_visible!(post_id)
            next post[:note_version] if post[:note] == clean

            done = rows(:posts).where(id: post_id, note_version: version).update(note: clean, note_version: Sequel[:note_version] + 1)
            raise changed(post) if done.zero?

            record("note_saved", post_id: post_id, facts: { before: post[:note], after: clean })
            announce("posts", ids: [post_id])
            version + 1
          end
        end

        private

        def changed(post)
          Core::Conflict.new("part_changed", "Somebody else changed the note meanwhile.", field: "note",
            way_on: "Look at theirs, then keep yours or take it.", facts: { "theirs" => post[:note], "version" => post[:note_version] })
        end
      end
    end
  end
end
