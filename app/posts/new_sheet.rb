# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The sheet of a post that is not there yet: exactly as it will stand once something is written on it. Nothing is
      # kept, so that a new post which nobody touched leaves nothing behind.
      class NewSheet < Act
        opens :client, "make_post"

        # @param post_id [String, nil] the id that its first word will make it with, nil for a new one; once it is made,
        #   its sheet as it stands
        # @return [Hash] as of PostSheet
        def call(post_id: new_id)
          return PostSheet.call(environment, member, post_id: post_id) if seen?(post_id)

          row = CreatePost.row(CreatePost.checked(post_id, now), "", member, now)
          sheet = nil
          scope
            .db
            .transaction(savepoint: true, rollback: :always) do
              raise Core::NotFound, "This post" unless scope.insert_new(:posts, row)

              sheet = PostSheet.call(environment, member, post_id: post_id)
            end
          sheet
        end

        private

        def seen?(post_id)
          Core::Uuid::FORMAT.match?(post_id.to_s) && Store::Posts::Visible.of(scope, post_id).any?
        end
      end
    end
  end
end
