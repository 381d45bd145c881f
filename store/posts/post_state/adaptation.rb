# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      class PostState
        # One adaptation as it stands: rows, resolved parts, the request as it would be built now, and its verdict.
        Adaptation =
          Struct.new(
            :row,
            :channel,
            :own,
            :parts,
            :place,
            :request,
            :fingerprint,
            :pictures,
            :authors,
            :showing,
            :release,
            :facts,
            :verdict,
            :waits_for_nobody,
            :stays_until,
            :unusable,
            keyword_init: true
          ) do
            def id = row[:id]
            def stage = verdict.stage
            def time = facts.time
            def sent? = %w[sending unclear out].include?(facts.showing)
            def out? = facts.showing == "out"
            # Taken up by somebody who publishes it by hand: they can still be told not to.
            def in_hand? = facts.showing == "sending" && showing[:state] == "by_hand"
            # A change or no still reaches it.
            def stoppable? = !sent? || in_hand?
            def inspect = "#<#{self.class} #{id} #{stage}>"
            def tags = place.tags
            # @return [Time, nil] when time alone will change where it stands, or whether anybody can still answer
            def changes_at = [verdict.changes_at, stays_until].compact.min

            # Whether its release holds still, where it has one.
            def release_stands?
              release.nil? || sent? || verdict.release_stands? || showing[:state] == "trouble"
            end

            # Whether its release goes along to its new time.
            def release_moves?
              return false if release.nil? || sent? || time.nil?

              verdict.releasable? && facts.released[:time] != time
            end
          end
      end
    end
  end
end
