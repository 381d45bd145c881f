# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Channels
      # Begins the way to a network for somebody's consent. What only this way knows is kept encrypted or as a digest.
      class BeginConnect < Act
        stepwise
        opens :channel, "connect", lock: false, whole: "add_channel"

        MINUTES = 10

        # @param channel_id [String, nil] the channel that is connected again, or was planned
        # @return [String] the address at the network where the person goes
        def call(network_address:, channel_id: nil)
          reading { enter }
          network = environment.catalogue.find(network_address) or
            raise Core::Channels::SaidNo.new("This network is not known here, or does not answer.", final: false)
          state = SecureRandom.urlsafe_base64(32)
          verifier = SecureRandom.urlsafe_base64(48)
          address =
            environment.consent.address(
              network_address,
              state: state,
              challenge: Core::Channels::Pkce.challenge(verifier)
            )
          write do
            scope.insert(
              :connect_tries,
              {
                id: new_id,
                person_id: member.person_id,
                network_address: network_address,
                network: network.name,
                channel_id: channel_id,
                state_digest: self.class.digest(state),
                verifier: environment.secrets.seal(verifier),
                begun_at: now,
                expires_at: now + (MINUTES * 60)
              }
            )
            record("connect_begun", facts: { network: network.name })
          end
          address
        end

        def self.digest(state)
          Store::Database.blob(Digest::SHA256.digest(state.to_s))
        end
      end
    end
  end
end
