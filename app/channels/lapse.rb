# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # The network no longer accepts a connection: every channel that is reached through it says so.
      class Lapse < Act
        inside

        def call(channel_id:)
          connection_id = rows(:channels).where(id: channel_id).get(:connection_id)
          rows(:connections).where(id: connection_id).update(state: "lapsed")
          rows(:channels).where(connection_id: connection_id, state: "connected").update(state: "lapsed")
          announce("channels", ids: [])
        end
      end
    end
  end
end
