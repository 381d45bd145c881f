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
            due_at: environment.now + [wait, LookUp::FIRST].min,
            over_at: [showing[:lease_until], environment.now].max
          )
        end

        private

        def over?(showing)
          last =
            reading { environment.db[:dispatchers].where(id: showing[:sender], stopped_at: nil).get(:heartbeat_at) }
          Core::Dispatch::Lease.over?(
            lease_until: showing[:lease_until],
            since_heartbeat: last && (environment.now - last),
            now: environment.now
          )
        end
      end
    end
  end
end
