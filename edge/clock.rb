# frozen_string_literal: true

module AskFirst
  module Edge
    # The only place where the time is read. A demo clock is ahead of the real one by an offset and runs on.
    class Clock
      attr_reader :offset

      # @param offset [Float] seconds
      def initialize(offset = 0.0)
        @offset = offset
      end

      def now
        Time.now.utc + offset
      end

      # @param there [Time] what the database's clock says
      # @return [Time] our time by that clock
      def of_database(there)
        there + offset
      end

      # @return [Time] the machine's time for a moment of ours: what the job queue waits for
      def machine_time(at)
        at - offset
      end

      # @return [Float] seconds between the database's clock and this machine's
      def gap(db)
        before = Time.now
        there = db.get(Sequel.function(:clock_timestamp))
        ((there - before) - ((Time.now - before) / 2)).to_f
      end
    end
  end
end
