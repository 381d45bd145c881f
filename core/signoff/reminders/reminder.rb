# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Whom a reminder goes to, and what it covers. Somebody of the client gets one mail with all that waits for them,
      # whichever ask it is about; a colleague is told of each ask by itself.
      module Reminder
        module_function

        # @param waiting [Array<String>] ids of the people whose answer is missing
        # @param reminded [Array<String>] of those who were reminded of it before
        # @param again [Boolean] whether somebody nudges them by hand: then also those
        # @return [Array<String>]
        def people(waiting, reminded, again:)
          again ? waiting : waiting - reminded
        end

        # @param room [String] of an ask: "client" or "internal"
        # @return [Boolean] whether one reminder says all that waits for its reader
        def covers_all?(room) = room == "client"

        # @param asks [Array<Hash>] of one person, with their :room
        # @return [Array<Hash>] those for which a reminder has to be sent, so that each is said
        def enough(asks)
          covered, each = asks.partition { |ask| covers_all?(ask[:room]) }
          [*covered.first(1), *each]
        end
      end
    end
  end
end
