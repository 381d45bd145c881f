# frozen_string_literal: true

module Bench
  # Figures in words.
  module Figures
    module_function

    # @return [Float] the median of n runs, in milliseconds
    def median_ms(runs = 30, &block)
      quantile(Array.new(runs) { ms(&block) }, 0.5)
    end

    def ms
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started) * 1_000
    end

    # Definition 7 of Hyndman and Fan (1996).
    def quantile(values, share)
      sorted = values.sort
      place = (sorted.size - 1) * share
      low = sorted[place.floor]
      low + ((sorted[place.ceil] - low) * (place - place.floor))
    end

    def line(what, value, floor, unit)
      puts format("%-58s %9.1f %s   floor %9.1f %s   ratio %5.2f", what, value, unit, floor, unit, value / floor)
    end
  end
end
