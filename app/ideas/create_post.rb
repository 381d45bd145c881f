# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Makes a draft of an idea, with everything carried over.
      class CreatePost < IdeaAct
        opens :idea, "make_post"

        # @return [String] the post's id
        # @raise [Core::Conflict] made_already, where there is a post of it
        def call(idea_id:)
          raise made_already if rows(:posts).where(idea_id: idea_id, discarded_at: nil).any?

          id = Posts::CreatePost.call(environment, member, subject: row[:title])
          if open_channel?
            Posts::ChooseChannels.call(environment, member, post_id: id, channel_ids: @opened.channel_ids)
          end
          IntoPost.call(environment, member, post_id: id, idea: row)
          broadcast
          id
        end

        private

        def open_channel? = row[:channel_id] && rows(:channels).where(id: row[:channel_id], archived_at: nil).any?

        def made_already
          Core::Conflict.new(
            "made_already",
            "There is a post of this idea already.",
            way_on: "Open that one, or bring the idea back first."
          )
        end
      end
    end
  end
end
