# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Showings in the order of their times: finds those near a moment, and those of a channel, without looking at
      # all of them.
      class Timeline
        # @param showings [Array<Neighbours::Showing>, Timeline]
        def self.of(showings)
          showings.is_a?(Timeline) ? showings : new(showings)
        end

        # @param showings [Array<Neighbours::Showing>] those without a time are left out
        def initialize(showings)
          @all = showings.select(&:at).sort_by(&:at)
          @on = @all.group_by(&:channel_id)
        end

        # @param at [Time]
        # @param seconds [Numeric] to either side
        # @return [Array<Neighbours::Showing>]
        def near(at, seconds)
          first = @all.bsearch_index { |one| one.at >= at - seconds } or return []
          last = @all.bsearch_index { |one| one.at > at + seconds } || @all.size
          @all[first...last]
        end

        # @return [Array<Neighbours::Showing>]
        def on(channel_id)
          @on.fetch(channel_id, [])
        end
      end
    end
  end
end
