# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Tells the others on a post that somebody is there, and which part they have under their hands. Nothing is kept: who does
      # not say it again is gone.
      class BeHere < Act
        stepwise

        # @param part [String, nil] under their hands
        # @param channel_id [String, nil] nil: the master's
        # @param leaving [Boolean]
        def call(post_id:, part: nil, channel_id: nil, leaving: false)
          reading do
            require_ability!("see_post")
            fetch(:posts, post_id, "This post")
            require_visible!(post_id)
          end
          kit.bus.publish(member.workspace_id, { what: "here", post: post_id, person: member.person_id, name: member.name, part: part, channel: channel_id, leaving: leaving })
        end
      end
    end
  end
end
