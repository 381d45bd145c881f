# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Makes or changes a channel set: channels under one name, chosen together. Posts that were made with it stay as
      # they are.
      class SaveSet < Act
        opens :channel_set, "connect"

        # @param set_id [String, nil] nil makes one
        # @param version [Integer] the version that the page showed; 0 for a new one
        # @return [String] the set's id
        def call(name:, channel_ids:, set_id: nil, version: 0)
          label = Core::Posts::Text.line(name.to_s, field: "name", limit: Core::Lengths::NAME)
          if label.empty?
            raise Core::Invalid.new(
                    "name_missing",
                    "The set needs a name.",
                    field: "name",
                    way_on: "Such as “all in town”."
                  )
          end

          require_ability!("connect", on: touching(channel_ids: channel_ids))
          known =
            rows(:channels).where(
              id: channel_ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) },
              archived_at: nil
            ).select_map(:id)
          if known.empty? || known.size < channel_ids.uniq.size
            raise Core::Invalid.new(
                    "no_such_channel",
                    "Choose at least one channel of this client.",
                    field: "channel_ids"
                  )
          end

          others = Store::Named.called(rows(:channel_sets), label)
          others = others.exclude(id: set_id) if set_id
          raise taken if others.any?

          id = set_id ? change(set_id, version, label) : make(label)
          rows(:channel_set_channels).where(set_id: id).delete
          scope.insert(:channel_set_channels, *known.map { |channel| { set_id: id, channel_id: channel } })
          record("channel_set_saved", facts: { name: label, channels: known.size })
          announce("channels", ids: [])
          id
        end

        private

        def taken
          Core::NameTaken.new("a set with this name", way_on: "Take another name, or change that one.")
        end

        def make(label)
          id = new_id
          scope.insert(:channel_sets, { id: id, name: label })
          id
        end

        def change(id, version, label)
          done = rows(:channel_sets).where(id: id, version: version).update(name: label, version: version + 1)
          return id unless done.zero?

          theirs = rows(:channel_set_channels).where(set_id: id).select_map(:channel_id)
          raise Core::Changed.new(
                  "set_changed",
                  "this set",
                  field: "channel_ids",
                  theirs: {
                    "name" => row[:name],
                    "channel_ids" => theirs
                  },
                  version: row[:version]
                )
        end
      end
    end
  end
end
