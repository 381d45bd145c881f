# frozen_string_literal: true

module AskFirst
  module Core
    module Figures
      # Some numbers, such as hours until an answer, and what is said about them.
      class Sample
        # @param values [Array<Numeric>]
        def initialize(values)
          @sorted = values.sort
        end

        # @return [Integer] how many
        def n = @sorted.size

        # Definition 7 of Hyndman and Fan (1996), "Sample Quantiles in Statistical Packages", The American Statistician
        # 50: between the two values that stand around the place 1 + (n - 1) p.
        # @param share [Float] p, 0 to 1
        # @return [Float, nil] nil where there is none
        def quantile(share)
          return if @sorted.empty?

          place = (n - 1) * share
          below = @sorted[place.floor]
          below + ((@sorted[place.ceil] - below) * (place - place.floor)).to_f
        end

        def median = quantile(0.5)

        # @return [Hash] n, median and 90th percentile
        def to_h = { n: n, median: median&.round(2), p90: quantile(0.9)&.round(2) }
      end
    end
  end
end
