# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # What becomes of a send of which nobody knows whether it arrived. A network that counts the same id once may be
      # sent it again; one that can be asked for the id is asked. Where the same id is not taken once, it is sent
      # again only after two looks that found nothing, the settling time apart, and the settling time after the try
      # was surely over.
      module Doubt
        LOOKS = 2

        # kind: :again, :look (at: when, looks: how many have counted) or :person
        Next = Struct.new(:kind, :at, :looks, keyword_init: true)

        module_function

        # Whether the network is asked at all.
        # @param card [Core::Channels::Card]
        # @return [Next, nil] nil: ask it
        def before_asking(card)
          return if card.finds_by_id

          Next.new(kind: card.same_id_once ? :again : :person)
        end

        # After a look that found nothing.
        # @param card [Core::Channels::Card]
        # @param looks [Integer] that have counted before
        # @param over_at [Time] when the try was surely over
        # @param settle [Float] seconds that an accepted post may take to show
        # @return [Next]
        def not_there(card, looks:, over_at:, settle:, now:)
          return Next.new(kind: :again) if card.same_id_once

          settled = over_at + settle
          return Next.new(kind: :look, at: settled, looks: 0) if now < settled
          return Next.new(kind: :again) if looks + 1 >= LOOKS

          Next.new(kind: :look, at: now + settle, looks: looks + 1)
        end
      end
    end
  end
end
