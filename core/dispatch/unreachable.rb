# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Raised when a network gave no useful reply to a request that makes no post.
      class Unreachable < Error
        # @param why [String]
        def initialize(why)
          super("network_unreachable", why, way_on: "It is tried again.")
        end
      end
    end
  end
end
