# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Makes an empty draft, owned by whoever makes it.
      class MakePost < Act
        opens :client, "make_post"

        # @return [String] the new post's id
        def call(subject: "")
          clean = Core::Posts::Text.line(subject, field: "subject", limit: 300)
          id = new_id
          scope.insert(:posts, { id: id, subject: clean, owner_id: member.person_id, created_at: now })
          record("post_made", post_id: id, facts: { subject: clean })
          announce("posts", ids: [id])
          id
        end
      end
    end
  end
end
