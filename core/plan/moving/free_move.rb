# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # Whether another time is given without a word before: it costs no yes and no release, is a moment that the clock
      # shows once, and has not passed.
      module FreeMove
        module_function

        # @param time [WallTime, nil] the new one; nil for none
        # @param costs [Array] what it would cost, in sentences
        # @param now [Time]
        def free?(time, costs, now)
          costs.empty? && (time.nil? || (time.kind == :ordinary && time.at > now))
        end
      end
    end
  end
end
