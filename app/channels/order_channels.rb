# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Puts a client's channels in an order; everybody's columns and lists follow it.
      class OrderChannels < Act
        opens :client, "order_channels"

        def call(channel_ids:)
          there = rows(:channels).where(archived_at: nil).select_map(:id)
          if there.sort != channel_ids.sort
            raise Core::Conflict.new(
                    "channels_changed",
                    "The channels changed meanwhile.",
                    field: "channel_ids",
                    way_on: "Look at the list again, then order it."
                  )
          end

          channel_ids.each_with_index { |id, position| rows(:channels).where(id: id).update(position: position) }
          record("channels_ordered")
          announce("channels", ids: [])
        end
      end
    end
  end
end
