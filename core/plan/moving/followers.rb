# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # Which channels of a post move together. A channel that has no time of its own follows the master's: moving one
      # of those moves the master, and with it all that follow it.
      class Followers
        # channel_id [String] · own: whether it has a time of its own
        One = Struct.new(:channel_id, :own, keyword_init: true)

        # @param all [Array<One>] every channel of the post
        # @param chosen [Array<One>] those that are moved; none for a post that is moved as a whole
        def initialize(all, chosen)
          @all = all
          @chosen = chosen
        end

        # @return [Array<String, nil>] where the time is to be written: nil for the master, else the channel's id
        def targets
          return [nil] if @chosen.empty?

          own, following = @chosen.partition(&:own)
          ids = own.map(&:channel_id)
          following.any? ? [nil, *ids] : ids
        end

        # @return [Array<One>] those that would move along although nobody chose them: whoever moves the master must
        #   have named all that follow it
        def surprised
          return [] unless @chosen.any? && targets.include?(nil)

          @all.reject(&:own) - @chosen
        end
      end
    end
  end
end
