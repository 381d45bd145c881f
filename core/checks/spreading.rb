# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Times of their own for channels that would say the same at once: the proposal to spread out that stands beside
      # a flood.
      #
      # The step is common practice, no source: 20 minutes, so that what follows is no flood (Neighbours::FLOOD) and
      # can still be done in one morning.
      module Spreading
        STEP = 20 * 60

        module_function

        # The first channel keeps its time; each further one moves on by steps until it neither floods nor stands
        # beside another post of its channel. Nothing leaves its day: another day may need another yes.
        #
        # @param own [Array<Neighbours::Showing>] of one post, in the order of its channels, those that may move
        # @param stays [Array<Neighbours::Showing>] those of the post that are out
        # @param others [Array<Neighbours::Showing>, Timeline] other posts
        # @param zone [String] the client's
        # @return [Hash{String=>Time}] channel id => instant, only for what is to move; empty when nothing floods, or
        # no room is left
        def propose(own, others, zone, stays: [])
          others = Timeline.of(others)
          kept = stays.select(&:at)
          own
            .select(&:at)
            .sort_by
            .with_index { |one, place| [one.at, place] }
            .each_with_object({}) do |one, moves|
              free =
                steps(one, zone).find do |moved|
                  room?(moved, kept + others.near(moved.at, Neighbours::WIDEST)) && exact?(moved.at, zone)
                end || one
              moves[one.channel_id] = free.at unless free.at == one.at
              kept += [free]
            end
        end

        def steps(one, zone)
          midnight = Plan::WallTime.parse("#{Plan::WallTime.at(one.at, zone).wall.to_date + 1}T00:00", zone).at
          (0..)
            .lazy
            .map { |count| one.at + (count * STEP) }
            .take_while { |at| at < midnight }
            .map { |at| one.dup.tap { |moved| moved.at = at } }
        end

        # The second of an hour that the clock shows twice cannot be planned for.
        def exact?(at, zone)
          Plan::WallTime.at(at, zone).at == at
        end

        def room?(moved, kept)
          kept.none? { |other| Neighbours.floods?(moved, other) || Neighbours.clashes?(moved, other) }
        end
        private_class_method :steps, :exact?, :room?
      end
    end
  end
end
