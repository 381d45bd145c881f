# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Makes an empty draft, owned by whoever makes it.
      class CreatePost < Act
        opens :client, "make_post"

        # @param post_id [String] made elsewhere, of version 7
        # @return [String] the same
        # @raise [Core::Invalid] when it was not made lately: posts are sorted by their ids
        def self.checked(post_id, now)
          return post_id if Core::Uuid.lately?(post_id, now)

          raise Core::Invalid.new(
                  "bad_id",
                  "The id of the new post was not made lately.",
                  field: "id",
                  way_on: "Begin a new post again; copy what you wrote first."
                )
        end

        # @return [Hash] of the table
        def self.row(id, subject, member, now)
          { id: id, subject: subject, owner_id: member.person_id, created_at: now }
        end

        # @param post_id [String, nil] the id that a page gave it before it was made; making it twice makes it once
        # @return [String] the new post's id
        def call(subject: "", post_id: nil)
          clean = Core::Posts::Text.line(subject, field: "subject", limit: Core::Lengths::SUBJECT)
          id = post_id ? self.class.checked(post_id, now) : new_id
          return id unless made?(self.class.row(id, clean, member, now))

          record("post_made", post_id: id, facts: { subject: clean })
          announce("posts", ids: [id])
          id
        end

        private

        # @raise [Core::Conflict] when somebody else's post has that id
        def made?(row)
          return true if scope.insert_new(:posts, row)
          return false if rows(:posts).where(id: row[:id], owner_id: member.person_id).any?

          raise Core::Conflict.new(
                  "there_already",
                  "Another post has this id.",
                  field: "id",
                  way_on: "Begin a new post."
                )
        end
      end
    end
  end
end
