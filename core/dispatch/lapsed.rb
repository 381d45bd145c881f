# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Raised when the network no longer accepts a channel's token.
      class Lapsed < Error
        def initialize
          super(
            "channel_lapsed",
            "The connection has lapsed: the network no longer accepts it.",
            way_on: "Connect the channel again."
          )
        end
      end
    end
  end
end
