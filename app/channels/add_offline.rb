# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Adds a channel that no network takes: a newsletter, a leaflet. It is planned and approved like the others, and
      # ticked off by hand.
      class AddOffline < Act
        opens :client, "add_channel"

        # @return [String] the channel's id
        def call(name:, initials:, limit:, pictures:, picture_needed: false)
          card =
            Core::Channels::OfflineCard.build(
              name: name,
              initials: initials,
              limit: limit,
              pictures: pictures,
              picture_needed: picture_needed
            )
          id = new_id
          scope.insert(
            :channels,
            {
              id: id,
              network: "Offline",
              name: card.name,
              initials: card.initials,
              account: "urn:uuid:#{id}",
              card: Store::Database.jsonb(card.to_json_hash),
              state: "offline",
              position: (rows(:channels).max(:position) || -1) + 1,
              created_at: now
            }
          )
          record("offline_channel_added", facts: { name: card.name })
          announce("channels", ids: [])
          id
        end
      end
    end
  end
end
