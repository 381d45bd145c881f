# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets every own part of one channel back to follow the master, its time as well.
      class FollowAll < PartWrite
        # @return [Array<String>] the parts that follow again
        def call(post_id:, channel_id:)
          write do
            post = locked([post_id]).fetch(post_id)
            require_channel!(post, channel_id)
            adaptation = post.adaptations.find { |one| one.row[:channel_id] == channel_id }
            own = adaptation.own
            raise Core::Conflict.new("nothing_own", "#{adaptation.channel[:name]} has no part of its own.", way_on: "It follows the master already.") if own.empty?

            own.each_key { |part| require_write!(post, channel_id, part) }
            rows(:parts).where(post_id: post_id, channel_id: channel_id).delete
            own.each { |part, value| record("part_follows", post_id: post_id, adaptation_id: adaptation.id, facts: { part: part, channel: adaptation.channel[:name], before: short(value) }) }
            move_releases(post, channel_id) if own.key?("time")
            restage([post_id])
            own.keys
          end
        end
      end
    end
  end
end
