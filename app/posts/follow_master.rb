# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets a channel's own part back to follow the master.
      class FollowMaster < PartWrite
        opens :post, "see_post", stand: true

        def call(post_id:, channel_id:, part:, version:)
          require_part!(part)
          if channel_id.nil?
            raise Core::Invalid.new(
                    "channel_missing",
                    "The master follows nothing.",
                    field: "channel",
                    way_on: "Name the channel whose own part shall go."
                  )
          end

          require_write!(channel_id, part)
          before = post.part(channel_id, part)
          raise part_changed(before, part) unless before && before[:version] == version

          rows(:parts).where(post_id: post.id, channel_id: channel_id, part: part).delete
          record(
            "part_follows",
            post_id: post.id,
            adaptation_id: post.on(channel_id).id,
            facts: {
              part: part,
              channel: post.on(channel_id).channel[:name],
              before: before[:value]
            }
          )
          standing = post.changed(parts: ->(rows) { rows - [before] })
          keep(part == "time" ? move_releases(standing, channel_id) : standing)
        end
      end
    end
  end
end
