# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # Raised when a network refuses a token, or does not answer while one is asked for.
      class SaidNo < Error
        # @param final [Boolean] whether asking again cannot help
        def initialize(sentence, final: true)
          super(
            final ? "network_said_no" : "network_away",
            sentence,
            field: "network",
            way_on: final ? "Begin again, and allow it at the network." : "Try again in a moment; nothing was changed."
          )
          @final = final
        end

        def final? = @final
      end
    end
  end
end
