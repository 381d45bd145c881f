# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Plans channels of a post, that go out at one time, for another: compare and set on the time that the mover saw.
      class Move < Posts::PartWrite
        opens :post, "see_post", stand: true

        # @param channel_ids [Array<String>] those that go out at that time
        # @param from [Hash, nil] {"wall" =>, "zone" =>} that the mover saw; nil for none
        # @param time [Hash, nil] the new one; nil for none
        # @return [Array<String>] ids of the adaptations that lost their release by it
        # @raise [Core::Conflict] moved_meanwhile
        def call(post_id:, channel_ids:, from:, time:)
          moving = Moving.new(post, mine(post.adaptations), channel_ids)
          value = Core::Posts::PartValues.clean("time", time, now: now)
          # also when the answer to the first try was lost on its way
          return [] if moving.at?(Core::Plan::WallTime.stored(value))

          moving.require_unsent!
          moving.targets.each { |channel_id| require_write!(channel_id, "time") }
          raise Moving.moved_meanwhile("from") unless moving.at?(Core::Plan::WallTime.stored(from))

          drafts = moving.targets.map { |channel_id| write_part(channel_id, "time", value) }
          keep(move_releases(after(*drafts), nil))
          unreleased
        end

        private

        # What was released and is not any more: undoing it releases it again.
        def unreleased
          released = ->(one) { one.adaptations.select(&:release).map(&:id) }
          before = released.call(post)
          before.empty? ? [] : before - released.call(post_states([post.id]).fetch(post.id))
        end
      end
    end
  end
end
