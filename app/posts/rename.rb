# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives a post its subject line. Immaterial: it voids nothing.
      class Rename < Act
        opens :post, "rename", whole: true

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, subject:, version:)
          clean = Core::Posts::Text.line(subject, field: "subject", limit: Core::Lengths::SUBJECT)
          return row[:subject_version] if row[:subject] == clean
          raise changed(row) if row[:subject_version] != version

          rows(:posts).where(id: post_id).update(subject: clean, subject_version: version + 1)
          record("post_named", post_id: post_id, facts: { before: row[:subject], after: clean })
          announce("posts", ids: [post_id])
          version + 1
        end

        private

        def changed(post)
          Core::Changed.new(
            "part_changed",
            "the subject line",
            field: "subject",
            theirs: post[:subject],
            version: post[:subject_version]
          )
        end
      end
    end
  end
end
