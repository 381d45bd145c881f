# frozen_string_literal: true

module AskFirst
  module Core
    module Campaigns
      # How a set of posts is mixed of labels, against how it should be. The distance of the two is half the sum of the
      # absolute differences of the shares: the total variation distance of two distributions (any handbook of
      # probability). A post that carries several labels of the mix counts in equal parts for each.
      class Mix
        WITHIN = 5r / 100 # a mix that is no further away is balanced
        MOST = 500 # posts that are tried to be added
        OTHER = nil # posts that carry no label of the mix: what the targets leave of 100 percent

        # @param targets [Hash{String=>Integer}] label id => percent
        # @raise [Invalid] over_hundred, bad_percent
        def self.check!(targets)
          bad = targets.values.find { |percent| !percent.is_a?(Integer) || !percent.between?(1, 100) }
          if bad
            raise Invalid.new(
                    "bad_percent",
                    "A share is a whole percentage from 1 to 100.",
                    field: "targets",
                    way_on: "Leave out what shall have none."
                  )
          end
          return if targets.values.sum <= 100

          raise Invalid.new(
                  "over_hundred",
                  "The shares come to #{targets.values.sum} percent.",
                  field: "targets",
                  way_on: "Take some away: at most 100 percent in all."
                )
        end

        # @param targets [Hash{String=>Integer}] label id => percent, together at most 100
        # @param posts [Array<Array<String>>] the labels of each post
        def initialize(targets, posts)
          @percents = targets.merge(OTHER => 100 - targets.values.sum)
          @counts = @percents.transform_values { 0r }
          posts.each { |labels| count(labels & targets.keys) }
          @total = posts.size
        end

        attr_reader :total

        # @return [Hash{String, nil=>Hash}] label => {count:, share:, target:}; shares of 0 to 1; OTHER last
        def rows
          @percents.keys.to_h do |label|
            [label, { count: @counts[label], share: share(@counts[label], @total), target: target(label) }]
          end
        end

        # @return [Rational] 0 is the very mix, 1 has nothing of it; 0 where there is no post
        def distance = @total.zero? ? 0r : distance_of(@counts, @total)

        # @return [Boolean] whether it is as close to what is wanted as it needs to be
        def balanced? = distance <= WITHIN

        # The fewest posts that bring it within WITHIN.
        # @return [Hash{String, nil=>Integer}, nil] label => how many more; empty if it is balanced; nil where MOST are
        #   not enough
        def advice
          return {} if @total.zero? || balanced?

          (1..MOST).each do |more|
            added = best(more)
            mixed = @counts.to_h { |label, count| [label, count + added.fetch(label, 0)] }
            return added.reject { |_, number| number.zero? } if distance_of(mixed, @total + more) <= WITHIN
          end
          nil
        end

        private

        def count(labels)
          return @counts[OTHER] += 1 if labels.empty?

          labels.each { |label| @counts[label] += 1r / labels.size }
        end

        def target(label) = @percents[label] / 100r
        def share(count, total) = total.zero? ? 0r : count / total.to_r

        def distance_of(counts, total)
          counts.sum { |label, count| (share(count, total) - target(label)).abs } / 2
        end

        # So many more, where most is missing: whole posts first, then by the largest part that is left.
        def best(more)
          missing = @counts.to_h { |label, count| [label, [(target(label) * (@total + more)) - count, 0].max] }
          added = missing.transform_values(&:floor)
          by_rest = missing.keys.sort_by.with_index { |label, at| [added[label] - missing[label], at] }
          rest = more - added.values.sum
          by_rest.first(rest).each { |label| added[label] += 1 } if rest.positive?
          rest.abs.times { added[added.max_by { |_, number| number }.first] -= 1 } if rest.negative?
          added
        end
      end
    end
  end
end
