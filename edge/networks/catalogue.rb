# frozen_string_literal: true

require "faraday"

module AskFirst
  module Edge
    module Networks
      # The networks that this installation may connect to, as each describes itself. Source: OAuth 2.0 Authorization
      # Server Metadata, RFC 8414; the network card stands in it.
      class Catalogue
        FRESH = 300 # seconds that a description is believed
        TIMEOUT = 5

        Network = Struct.new(:address, :name, :initials, :kind, :card, :authorize, :token, :revoke, keyword_init: true)

        # @param addresses [Array<String>] issuers, from the settings
        def initialize(addresses)
          @addresses = addresses
          @kept = {}
          @lock = Mutex.new
        end

        # @return [Array<Hash>] {address:, network: (nil while it does not answer)}
        def all
          @addresses.map { |address| Thread.new { { address: address, network: known(address) } } }.map(&:value)
        end

        # @return [Network, nil]
        # @raise [Core::Invalid] bad_card, where no better one is known
        def find(address)
          return unless @addresses.include?(address)

          kept = @lock.synchronize { @kept[address] }
          return kept[0] if kept && Process.clock_gettime(Process::CLOCK_MONOTONIC) - kept[1] < FRESH

          fetched = fetch_or_keep(address, kept) or return
          @lock.synchronize { @kept[address] = [fetched, Process.clock_gettime(Process::CLOCK_MONOTONIC)] }
          fetched
        end

        private

        # What was known before holds while it does not answer, or sends a card that cannot be used.
        def fetch_or_keep(address, kept)
          fetch(address) || (kept && kept[0])
        rescue Core::Invalid
          kept ? kept[0] : raise
        end

        def known(address)
          find(address)
        rescue Core::Invalid
          nil
        end

        def fetch(address)
          uri = URI.parse(address)
          reply =
            Faraday.new(request: { timeout: TIMEOUT, open_timeout: 2 }).get(
              "#{uri.scheme}://#{uri.authority}/.well-known/oauth-authorization-server#{uri.path}"
            )
          return unless reply.status == 200

          said = JSON.parse(reply.body)
          read(address, uri, said) if said["issuer"] == address
        rescue Faraday::Error, JSON::ParserError
          nil
        end

        # Endpoints must be the issuer's own.
        def read(address, uri, said)
          ends = said.values_at("authorization_endpoint", "token_endpoint", "revocation_endpoint")
          return unless ends.compact.size >= 2 && ends.compact.all? { |one| URI.parse(one).authority == uri.authority }
          return unless Array(said["code_challenge_methods_supported"]).include?("S256")

          card = Core::Channels::Card.parse(said.fetch("network-card"))
          Network.new(
            address: address,
            name: card.name,
            initials: card.initials,
            kind: card.kind,
            card: card,
            authorize: ends[0],
            token: ends[1],
            revoke: ends[2]
          )
        rescue KeyError, URI::InvalidURIError
          nil
        end
      end
    end
  end
end
