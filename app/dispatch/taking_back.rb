# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Ends one live release because a person took it back. Called inside a transaction that holds the post's lock.
      class TakingBack < Act
        inside

        # @param showing [Hash] its row, as it stands
        # @param channel [String] its name, for the record
        def call(showing:, release_id:, channel:)
          rows(:releases).where(id: release_id).update(
            ended_at: now,
            ended_why: "taken back by #{member.name}",
            taken_back: true
          )
          Store::Dispatch::Moves.make(
            scope,
            :take_back,
            [Store::Dispatch::Moves::Moving.new(row: showing, set: { tries: 0 })],
            at: now
          )
          record(
            "taken_back",
            post_id: showing[:post_id],
            adaptation_id: showing[:adaptation_id],
            facts: {
              channel: channel
            }
          )
        end
      end
    end
  end
end
