# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Withdraws the consent that a connection rests on: at the network and here. What was released there stays in
      # sight and becomes trouble at its time, unless somebody connects again before.
      class WithdrawConsent < Act
        stepwise
        opens :connection, "connect"

        def call(connection_id:)
          found =
            write do
              enter
              channels = rows(:channels).where(connection_id: connection_id).select_map(:name)
              rows(:connections).where(id: connection_id).update(state: "lapsed")
              rows(:channels).where(connection_id: connection_id, state: "connected").update(state: "lapsed")
              record("consent_withdrawn", facts: { network: row[:network], channels: channels })
              announce("channels", ids: [])
              row
            end
          if found[:network_address]
            environment.consent.revoke(found[:network_address], environment.secrets.open(found[:token]))
          end
        end
      end
    end
  end
end
