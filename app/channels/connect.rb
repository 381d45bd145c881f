# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Adds one account at a network whose access token somebody holds, for any site that speaks Micropub. Accounts
      # at a network with a consent page come by BeginConnect and AddAccounts.
      class Connect < Act
        stepwise
        opens :client, "add_channel"

        # @param token [String] in clear; only its encrypted form is kept
        # @return [String] the channel's id
        def call(account:, micropub:, token:, name: nil)
          reading { enter }
          card = environment.networks.client_with(micropub, token).card or
            raise Core::Invalid.new(
                    "no_card",
                    "The network does not say what it takes.",
                    field: "micropub",
                    way_on: "Ask its operator for a network card."
                  )
          write do
            connection = new_id
            scope.insert(
              :connections,
              {
                id: connection,
                network: card.name,
                token: environment.secrets.seal(token),
                consent_by: member.person_id,
                state: "connected",
                made_at: now
              }
            )
            id = new_id
            scope.insert(
              :channels,
              {
                id: id,
                network: card.name,
                name: name || card.name,
                initials: card.initials,
                account: account,
                micropub: micropub,
                card: Store::Database.jsonb(card.to_json_hash),
                state: "connected",
                connection_id: connection,
                position: rows(:channels).count,
                created_at: now
              }
            )
            record("channel_connected", facts: { name: card.name, account: account })
            announce("channels", ids: [])
            id
          end
        end
      end
    end
  end
end
