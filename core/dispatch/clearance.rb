# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # Whether a planned showing may be sent now: asked under all locks, in the transaction that marks it as being
      # sent, and nowhere else. The first that fits decides.
      module Clearance
        # state: of the showing · release: {at:, zone:, needs: ids of the files that it sends} or nil · uploads: ids
        # that are up · stopped: the client is archived or deleted · unconfirmed: the database was brought back, and
        # nobody has said yet that it may go · channel: {state:, archived_at:, name:} · fresh: whether its card was read
        # lately · by_hand: no network takes it · verdict: responds to held?, release_stands? and releasable? · faults:
        # sentences of today's card · unusable: why its files may not be used any more, where that stops it · now: by
        # the database's clock
        Facts =
          Struct.new(
            :state,
            :release,
            :uploads,
            :stopped,
            :unconfirmed,
            :channel,
            :fresh,
            :by_hand,
            :verdict,
            :faults,
            :unusable,
            :now,
            keyword_init: true
          )
        # kind: :send, :prepare (files are missing at the network, or its card is old), :wait (until), :hand, :trouble
        # (sentence), :lapsed or :nothing
        Ruling = Struct.new(:kind, :until, :sentence, keyword_init: true)
        HELD_FOR = 5 # seconds until a held one is looked at again; lifting the hold wakes it at once

        module_function

        # @param facts [Facts]
        # @return [Ruling]
        def of(facts)
          release = facts.release
          return ruling(:nothing) if facts.state != "planned" || release.nil? || facts.stopped

          waits(facts) || goes(facts, release)
        end

        def waits(facts)
          return ruling(:wait, facts.release[:at]) if facts.release[:at] > facts.now
          return ruling(:wait, facts.now + HELD_FOR) if facts.unconfirmed
          return trouble(Channels::Archived.sentence(facts.channel)) if Channels::Archived.it?(facts.channel)
          return facts.unusable ? trouble(facts.unusable) : ruling(:hand) if facts.by_hand

          ruling(:wait, facts.now + HELD_FOR) if facts.verdict.held?
        end

        def goes(facts, release)
          return trouble(too_late(release)) if Patience.too_late?(release[:at], facts.now)
          return ruling(:lapsed) unless facts.channel[:state] == "connected"

          return ruling(:prepare) unless facts.fresh

          refusal = refusal(facts) and return trouble(refusal)
          ruling((release[:needs] - facts.uploads).empty? ? :send : :prepare)
        end

        # Any difference from what was released is trouble, not a send.
        def refusal(facts)
          return "The network's rules have changed: #{facts.faults.join(" ")}" if facts.faults.any?
          return facts.unusable if facts.unusable
          return if facts.verdict.release_stands?
          return "What would go out is not what was released; it was not sent." if facts.verdict.releasable?

          "Not every yes that it needs counts any more; it was not sent."
        end

        def too_late(release)
          "Its time was #{Plan::WallTime.said(release[:at], release[:zone])}, more than " \
            "#{Patience::TOLERANCE / 60} minutes ago; it was not sent so late."
        end

        def ruling(kind, till = nil)
          Ruling.new(kind: kind, until: till)
        end

        def trouble(sentence)
          Ruling.new(kind: :trouble, sentence: sentence)
        end
        private_class_method :waits, :goes, :refusal, :too_late, :ruling, :trouble
      end
    end
  end
end
