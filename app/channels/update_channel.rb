# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Names a channel anew, and sets an offline channel's marks and limits.
      class UpdateChannel < Act
        opens :channel, "connect"

        # @param limits [Hash, nil] "initials", "limit", "pictures", "picture_needed" of an offline channel
        # @return [Integer] the new version
        def call(channel_id:, version:, name:, limits: nil)
          label = Core::Posts::Text.line(name.to_s, field: "name", limit: Core::Lengths::NAME)
          raise Core::Invalid.new("name_missing", "The channel needs a name.", field: "name") if label.empty?

          values = { name: label, version: version + 1 }.merge(offline(row, label, limits))
          raise changed(row) if rows(:channels).where(id: channel_id, version: version).update(values).zero?

          record("channel_changed", facts: { before: row[:name], after: label })
          refresh_stage(
            rows(:adaptations)
              .where(channel_id: channel_id, removed_at: nil)
              .exclude(stage: "out")
              .select_map(:post_id)
              .uniq
          )
          announce("channels", ids: [])
          version + 1
        end

        private

        def offline(row, label, limits)
          return {} if limits.nil?
          unless row[:state] == "offline"
            raise Core::Invalid.new(
                    "network_sets_limits",
                    "Its network sets the limits of this channel.",
                    field: "limits"
                  )
          end

          card =
            Core::Channels::OfflineCard.build(
              name: label,
              initials: limits["initials"],
              limit: limits["limit"],
              pictures: limits["pictures"],
              picture_needed: limits["picture_needed"]
            )
          { card: Store::Database.jsonb(card.to_json_hash), initials: card.initials }
        end

        def changed(row)
          Core::Changed.new(
            "channel_changed",
            "this channel",
            field: "name",
            theirs: row[:name],
            version: row[:version]
          )
        end
      end
    end
  end
end
