# frozen_string_literal: true

module AskFirst
  module Edge
    class Sandbox
      # How long readings have been stopped altogether: time that is not theirs.
      class Rest
        def initialize
          @lock = Mutex.new
          @before = 0.0
          @since = nil
        end

        # @return [Boolean] false when they rest already
        def begin = @lock.synchronize { @since.nil? && (@since = clock) && true }

        # @return [Boolean] false when they do not rest
        def end
          @lock.synchronize do
            next false unless @since

            @before += clock - @since
            @since = nil
            true
          end
        end

        # @return [Float]
        def seconds = @lock.synchronize { @before + (@since ? clock - @since : 0) }

        private

        def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
