# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Tells the others on a post that somebody is there, and which part they have under their hands. Nothing is
      # kept: who does not say it again is gone.
      class AnnouncePresence < Act
        reads :post, "see_post", lock: false

        # @param part [String, nil] under their hands
        # @param channel_id [String, nil] nil: the master's
        # @param leaving [Boolean]
        def call(post_id:, part: nil, channel_id: nil, leaving: false)
          subscribers = Store::People::Subscribers.of(scope, [post_id], now)
          Live.tell(
            environment,
            member.workspace_id,
            {
              what: "here",
              post: post_id,
              person: member.person_id,
              name: member.name,
              part: part,
              channel: channel_id,
              leaving: leaving
            },
            subscribers.everything + subscribers.some
          )
        end
      end
    end
  end
end
