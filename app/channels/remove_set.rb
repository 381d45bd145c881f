# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Takes a channel set away; the channels and the posts stay.
      class RemoveSet < Act
        opens :channel_set, "connect"

        def call(set_id:)
          rows(:channel_sets).where(id: set_id).delete
          record("channel_set_dropped", facts: { name: row[:name] })
          announce("channels", ids: [])
        end
      end
    end
  end
end
