# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Saves one part, of the master or of one channel: compare and set on the version that the writer saw.
      class UpdatePart < PartWrite
        opens :post, "see_post", stand: true

        # @param channel_id [String, nil] nil for the master
        # @param version [Integer] 0 when there was none
        # @return [Integer] the new version
        def call(post_id:, channel_id:, part:, value:, version:)
          require_part!(part)
          clean = Core::Posts::PartValues.clean(part, value, now: now)
          require_write!(channel_id, part)
          require_own_media!(part, clean)
          before = post.part(channel_id, part)
          # also when the answer to the first try was lost on its way
          return before[:version] if before && before[:value] == clean
          raise part_changed(before, part, clean) unless (before ? before[:version] : 0) == version

          save(channel_id, part, clean, before)
          version + 1
        end

        private

        def save(channel_id, part, value, before)
          standing = after(write_part(channel_id, part, value))
          standing = move_releases(standing, channel_id) if part == "time"
          keep(standing)
          if Media::RenderAhead::PARTS.include?(part)
            Media::RenderAhead.plan(environment, member.workspace_id, standing)
          end
          if links(part, before && before[:value]) != links(part, value)
            Checks::LookAtLinks.plan(environment, member.workspace_id, standing)
          end
        end

        # The addresses that a value holds.
        def links(part, value)
          return value && value["address"] if part == "link"

          value.is_a?(String) ? Core::Checks::Links.find(value).map { |from, length| value[from, length] } : nil
        end
      end
    end
  end
end
