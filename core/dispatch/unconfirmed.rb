# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # A showing that was not out yet in a database that was brought back: since then it may have gone out, been
      # taken back or changed. It is not sent until that is known.
      module Unconfirmed
        ANSWERS = %w[send take_back out].freeze

        module_function

        # What asking the network leads to.
        # @param said [String] "there", "not_there" or "cannot_ask"
        # @param released_at [Time] when its live release was given
        # @param noticed_at [Time] when it was noticed that the database had been brought back
        # @return [Symbol] :out, :confirmed or :person
        def after(said, released_at:, noticed_at:)
          return :out if said == "there"

          # released by somebody who could know, and surely not there
          said == "not_there" && released_at > noticed_at ? :confirmed : :person
        end
      end
    end
  end
end
