# frozen_string_literal: true

module Demo
  # A clock that the seeder sets, so that last week's acts bear last week's times.
  class Clock
    def initialize(now)
      @now = now
    end

    attr_reader :now

    def at(time)
      before = @now
      @now = time
      yield
    ensure
      @now = before
    end

    def set(time)
      @now = time
    end

    def offset
      @now - Time.now.utc
    end

    def of_database(_there)
      now
    end

    def machine_time(at)
      at
    end

    def gap(_db)
      0.0
    end
  end
end
