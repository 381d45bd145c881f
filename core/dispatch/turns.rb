# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whose turn it is where the sending and other work share a machine: other work rests while posts go out, for some
      # seconds at most; then it has at least as long before it rests again. The numbers are common practice, no source.
      class Turns
        MOST = 15 # seconds

        def initialize
          @since = nil # when it began to rest
          @until = nil # when it may rest again
        end

        # @param busy [Boolean] whether posts go out
        # @param now [Numeric] seconds of a clock that only goes on
        # @return [Boolean] whether other work rests now
        def rest?(busy, now)
          return false if @until && now < @until

          @until = nil
          @since = busy ? @since || now : nil
          return false if @since.nil?
          return true if now - @since < MOST

          @since = nil
          @until = now + MOST
          false
        end
      end
    end
  end
end
