# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Cuts the pictures of a post soon after they were chosen or framed, so that whoever asks does not wait for it.
      # What is asked, shown and sent are these files; what is missing by then is cut before the ask goes out (Render).
      class RenderAhead < Act
        of_process
        stepwise

        PARTS = %w[media framing format link].freeze # that decide what is cut
        AFTER = 3 # seconds: one goes on choosing

        # @return [Boolean] whether the post is there
        def call(post_id:)
          return false unless post_states([post_id]).key?(post_id)

          Render.call(environment, member, post_ids: [post_id])
          true
        rescue Core::Conflict
          true # told to whoever asks
        end

        # @param post [Store::Posts::PostState::Post]
        def self.plan(environment, workspace_id, post)
          return if post.adaptations.all? { |one| one.pictures.all? { |picture| picture[:rendition_id] } }

          environment.queue.render_ahead(workspace_id, post.id, at: environment.now + AFTER)
        end
      end
    end
  end
end
