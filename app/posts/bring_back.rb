# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Brings a draft back that the same person threw away: as it was, to everybody who saw it. It is in nobody's sight
      # until then, so that the door cannot open it; the database asks whether it was theirs.
      class BringBack < Act
        opens :client, "make_post"

        # @raise [Core::NotFound] when this person threw no such post away
        def call(post_id:)
          raise Core::NotFound, "This post" unless Core::Uuid::FORMAT.match?(post_id.to_s)

          raise Core::NotFound, "This post" unless Store::Posts::Discarded.bring_back(scope, post_id)

          record("post_brought_back", post_id: post_id)
          announce("posts", ids: [post_id])
        end
      end
    end
  end
end
