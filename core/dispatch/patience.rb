# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # How long a send waits before it is tried again, and how late it may still go.
      module Patience
        TOLERANCE = 30 * 60 # seconds late at most
        FIRST_WAIT = 2
        LONGEST_WAIT = 300

        module_function

        # Growing waits with jitter, so that many sends do not come back at one moment.
        # @param tries [Integer] tries so far, from 1
        # @param random [#rand] seeded in tests
        # @return [Float] seconds
        def wait(tries, random: Random)
          base = [FIRST_WAIT * (2**(tries - 1)), LONGEST_WAIT].min
          base * (0.75 + (random.rand * 0.5))
        end

        def too_late?(at, now)
          now - at > TOLERANCE
        end
      end
    end
  end
end
