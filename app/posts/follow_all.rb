# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets every own part of one channel back to follow the master, its time as well.
      class FollowAll < PartWrite
        opens :post, "see_post", stand: true

        # @return [Array<String>] the parts that follow again
        def call(post_id:, channel_id:)
          adaptation = post.on(channel_id) or raise Core::NotFound, "This channel of the post"
          own = adaptation.own
          raise nothing_own(adaptation) if own.empty?

          own.each_key { |part| require_write!(channel_id, part) }
          rows(:parts).where(post_id: post.id, channel_id: channel_id).delete
          own.each do |part, value|
            record(
              "part_follows",
              post_id: post.id,
              adaptation_id: adaptation.id,
              facts: {
                part: part,
                channel: adaptation.channel[:name],
                before: short(value)
              }
            )
          end
          standing =
            post.changed(
              parts: ->(rows) { rows.reject { |row| row[:post_id] == post.id && row[:channel_id] == channel_id } }
            )
          keep(own.key?("time") ? move_releases(standing, channel_id) : standing)
          own.keys
        end

        private

        def nothing_own(adaptation)
          Core::Conflict.new(
            "nothing_own",
            "#{adaptation.channel[:name]} has no part of its own.",
            way_on: "It follows the master already."
          )
        end
      end
    end
  end
end
