# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets a channel's own part back to follow the master.
      class FollowMaster < PartWrite
        def call(post_id:, channel_id:, part:, version:)
          write do
            post = locked([post_id]).fetch(post_id)
            require_channel!(post, channel_id)
            require_write!(post, channel_id, part)
            before = part_row(post_id, channel_id, part)
            raise part_changed(before, part) unless before && before[:version] == version

            rows(:parts).where(post_id: post_id, channel_id: channel_id, part: part).delete
            adaptation = post.adaptations.find { |one| one.row[:channel_id] == channel_id }
            record("part_follows", post_id: post_id, adaptation_id: adaptation.id,
              facts: { part: part, channel: adaptation.channel[:name], before: before[:value] })
            move_releases(post, channel_id) if part == "time"
            restage([post_id])
          end
        end
      end
    end
  end
end
