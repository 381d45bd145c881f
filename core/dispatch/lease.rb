# frozen_string_literal: true

module AskFirst
  module Core
    module Dispatch
      # For how long a sender may begin what it has claimed, and from when another one may take it over. The lease
      # binds its holder too: whoever was frozen in between looks at the clock directly before the create, and does
      # not send. All in seconds.
      module Lease
        HEARTBEAT_EVERY = 1.0
        # A sender whose own heartbeat is older than this was frozen, and begins nothing that it claimed before.
        STILL_HERE = 3.0
        # A sender whose heartbeat is older than this is gone for all others. More than STILL_HERE by what a heartbeat
        # needs to arrive, so that whoever is taken for gone has stopped by itself before.
        GONE = 6.0

        module_function

        # @param since_claim [Float] since the claim was begun
        # @param since_heartbeat [Float] since the sender's last heartbeat
        # @param lease [Float]
        # @param timeout [Float] how long a create may take
        # @return [Boolean] whether a create that begins now ends while the lease lasts
        def holds?(since_claim:, since_heartbeat:, lease:, timeout:)
          since_claim >= 0 && since_claim < lease - timeout && since_heartbeat < STILL_HERE
        end

        # @param lease_until [Time]
        # @param since_heartbeat [Float, nil] since the heartbeat of the showing's sender; nil: it has stopped, or
        # was never heard of
        # @return [Boolean] whether another one may take it over
        def over?(lease_until:, since_heartbeat:, now:)
          lease_until <= now || since_heartbeat.nil? || since_heartbeat > GONE
        end
      end
    end
  end
end
