# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives a post its subject line. Immaterial: it voids nothing.
      class Rename < Act
        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, subject:, version:)
          require_ability!("rename")
          clean = Core::Posts::Text.clean(subject, field: "subject", limit: 300)
          write do
            post = fetch(:posts, post_id, "This post")
            next post[:subject_version] if post[:subject] == clean

            done = rows(:posts).where(id: post_id, subject_version: version).update(subject: clean, subject_version: Sequel[:subject_version] + 1)
            raise changed(post) if done.zero?

            record("post_named", post_id: post_id, facts: { before: post[:subject], after: clean })
            announce("posts", ids: [post_id])
            version + 1
          end
        end

        private

        def changed(post)
          Core::Conflict.new("part_changed", "Somebody else changed the subject line meanwhile.", field: "subject",
            way_on: "Look at theirs, then keep yours or take it.", facts: { "theirs" => post[:subject], "version" => post[:subject_version] })
        end
      end
    end
  end
end
