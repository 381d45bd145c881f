# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # A later day for a post that would say on a channel what was said there not long ago: the first on which its
      # words have rested there long enough, at its own clock. It moves with all its channels, so that it is still one
      # post. Nothing is proposed further away than two weeks: then other words are the way.
      module Rested
        REACH = 14 # days; common practice, no source

        module_function

        # @param own [Array<Neighbours::Showing>] of one post, those that move
        # @param others [Array<Neighbours::Showing>, Timeline] other posts
        # @param time [Plan::WallTime] of the post
        # @param works [#call] Date => whether something may be moved onto that day
        # @return [Plan::WallTime, nil] nil when nothing is repeated, or no near day is better
        def propose(own, others, time, works:)
          others = Timeline.of(others)
          planned = own.select(&:at)
          return if planned.none? { |one| repeats?(one, others) }

          (1..REACH)
            .lazy
            .map { |days| Plan::WallTime.new(time.wall + (days * 86_400), time.zone) }
            .find { |later| works.call(later.wall.to_date) && fits?(planned, others, later.at - time.at) }
        end

        def fits?(planned, others, by)
          planned
            .map { |one| one.dup.tap { |moved| moved.at = one.at + by } }
            .none? { |moved| repeats?(moved, others) || crowded?(moved, others) }
        end

        def repeats?(one, others) = others.on(one.channel_id).any? { |other| Neighbours.repeats?(one, other) }

        def crowded?(one, others)
          others
            .near(one.at, Neighbours::WIDEST)
            .any? { |other| Neighbours.floods?(one, other) || Neighbours.clashes?(one, other) }
        end
        private_class_method :fits?, :repeats?, :crowded?
      end
    end
  end
end
