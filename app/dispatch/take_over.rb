# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # A sender holds a lease. When it is over, or when nothing has been heard of the sender, whether its send
      # arrived is unclear: its network is asked at once where it can be asked, and nothing is sent again before the
      # lease is surely over.
      class TakeOver < ShowingAct
        WORDS = "Its sender was gone before the network's reply was kept."

        # @param showing [Hash] a row in state sending
        # @return [Boolean] whether it was taken over
        def call(showing:)
          return false unless over?(showing)

          wait = settling(channel(showing)[:card])
          move(
            :take_over,
            showing,
            "unclear",
            WORDS,
            due_at: kit.now + [wait, LookUp::FIRST].min,
            over_at: [showing[:lease_until], kit.now].max
          )
        end

        private

        def over?(showing)
          beat = reading { kit.db[:dispatchers].where(id: showing[:sender], stopped_at: nil).get(:beat_at) }
          Core::Dispatch::Lease.over?(
            lease_until: showing[:lease_until],
            since_beat: beat && (kit.now - beat),
            now: kit.now
          )
        end
      end
    end
  end
end
