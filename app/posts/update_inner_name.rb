# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The agency's own name for a post, beside the subject line that the client reads. Immaterial, and shown to nobody
      # of the client's side.
      class UpdateInnerName < Act
        opens :post, "rename", whole: true

        # @param version [Integer] the version that the writer saw
        # @return [Integer] the new version
        def call(post_id:, inner_name:, version:)
          clean = Core::Posts::Text.line(inner_name, field: "inner_name", limit: Core::Lengths::SUBJECT)
          return row[:inner_name_version] if row[:inner_name] == clean
          raise changed(row) if row[:inner_name_version] != version

          rows(:posts).where(id: post_id).update(inner_name: clean, inner_name_version: version + 1)
          record("inner_name_saved", post_id: post_id, facts: { before: row[:inner_name], after: clean })
          announce("posts", ids: [post_id])
          version + 1
        end

        private

        def changed(post)
          Core::Changed.new(
            "part_changed",
            "the inner name",
            field: "inner_name",
            theirs: post[:inner_name],
            version: post[:inner_name_version]
          )
        end
      end
    end
  end
end
