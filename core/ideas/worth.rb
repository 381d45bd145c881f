# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # What the house thinks of an idea. Each vote is 1 (no) to 5 (at once). One enthusiast does not outweigh a house
      # that agrees: the mean is drawn to the middle as if DOUBT people had voted for it (a Bayesian mean; common
      # practice, no source).
      module Worth
        VOTES = (1..5)
        MIDDLE = 3
        DOUBT = 2

        module_function

        # @param votes [Array<Integer>]
        # @return [Integer] in hundredths: what stands beside an idea wherever it is shown, and by which they are put in
        #   order; 0 without votes
        def score(votes)
          return 0 if votes.empty?

          (Rational(votes.sum + (MIDDLE * DOUBT), votes.size + DOUBT) * 100).round
        end

        # @raise [Invalid] bad_vote
        def clean(vote)
          return vote if vote.nil? || (vote.is_a?(Integer) && VOTES.cover?(vote))

          raise Invalid.new("bad_vote", "A vote is 1 to 5.", field: "worth", way_on: "Choose one, or take yours back.")
        end
      end
    end
  end
end
