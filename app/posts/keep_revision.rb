# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Keeps the snapshot of one post: see KeepRevisions.
      class KeepRevision < Act
        inside

        # @param post [Store::Posts::Standing::Post] just loaded
        # @return [Hash] {id:, number:, adaptations: {adaptation id => revision adaptation id}}
        def call(post:)
          KeepRevisions.call(kit, member, posts: [post]).fetch(post.id)
        end
      end
    end
  end
end
