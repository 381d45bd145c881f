# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Adds an account at a network to a client, with its token encrypted and its card as the network gives it.
      class Connect < Act
        # @param token [String] in clear; only its encrypted form is kept
        # @return [String] the channel's id
        def call(account:, micropub:, token:, secrets:, name: nil)
          require_ability!("rule")
          id = new_id
          sealed = secrets.seal(token)
          card = kit.networks.client_for(micropub: micropub,
            token: sealed).card or raise Core::Invalid.new("no_card", "The network does not say what it takes.", field: "micropub")
          write do
            scope.insert(:channels, { id: id, network: card["name"], name: name || card["name"], initials: card["initials"], account: account, micropub: micropub,
                                      card: Store::Database.jsonb(card), token: sealed, state: "connected", position: rows(:channels).count, created_at: now })
            record("channel_connected", facts: { name: card["name"], account: account })
          end
          id
        end
      end
    end
  end
end
