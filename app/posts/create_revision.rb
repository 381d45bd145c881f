# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Keeps the snapshot of one post: see CreateRevisions.
      class CreateRevision < Act
        inside

        # @param post [Store::Posts::PostState::Post] just loaded
        # @return [Hash] {id:, number:, adaptations: {adaptation id => revision adaptation id}}
        def call(post:)
          CreateRevisions.call(environment, member, posts: [post]).fetch(post.id)
        end
      end
    end
  end
end
