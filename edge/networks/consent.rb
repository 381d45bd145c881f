# frozen_string_literal: true

require "oauth2"

module AskFirst
  module Edge
    module Networks
      # Going to a network for somebody's consent, and what comes back. Sources: OAuth 2.0, RFC 6749; PKCE, RFC 7636;
      # revocation, RFC 7009. We are a public client: our address is our name, and there is no client secret.
      class Consent
        SCOPE = "create update delete media"

        Grant = Struct.new(:token, :refresh_token, :expires_in, :consent_expires_in, :accounts, keyword_init: true)

        # @param catalogue [Catalogue]
        # @param public_url [String] our address
        def initialize(catalogue, public_url, timeout: 10)
          @catalogue = catalogue
          @public_url = public_url
          @timeout = timeout
        end

        # @return [String] where the person goes
        def address(network_address, state:, challenge:)
          network = network(network_address)
          client(network).auth_code.authorize_url(
            redirect_uri: redirect,
            state: state,
            scope: SCOPE,
            code_challenge: challenge,
            code_challenge_method: Core::Channels::Pkce::METHOD
          )
        end

        # @return [Grant]
        # @raise [Core::Channels::SaidNo]
        def exchange(network_address, code:, verifier:)
          asking(network_address) do |client|
            client.auth_code.get_token(code, redirect_uri: redirect, code_verifier: verifier)
          end
        end

        # @raise [Core::Channels::SaidNo]
        def refresh(network_address, refresh_token)
          asking(network_address) do |client|
            OAuth2::AccessToken.new(client, "", refresh_token: refresh_token).refresh!
          end
        end

        # Best effort: what we have thrown away can do nothing more from here.
        def revoke(network_address, token)
          network = @catalogue.find(network_address)
          if network&.revoke
            Faraday.new(request: { timeout: @timeout, open_timeout: 3 }).post(network.revoke, { token: token })
          end
        rescue Faraday::Error
          nil
        end

        private

        def redirect
          "#{@public_url}/connect/back"
        end

        def network(address)
          @catalogue.find(address) or
            raise Core::Channels::SaidNo.new("The network does not answer at the moment.", final: false)
        end

        def client(network)
          OAuth2::Client.new(
            @public_url,
            nil,
            site: network.address,
            authorize_url: network.authorize,
            token_url: network.token,
            auth_scheme: :request_body,
            connection_opts: {
              request: {
                timeout: @timeout,
                open_timeout: 3
              }
            }
          )
        end

        def asking(address)
          grant(yield(client(network(address))))
        rescue OAuth2::Error => e
          away = e.response && e.response.status >= 500
          raise Core::Channels::SaidNo.new(
                  "The network did not give access#{": #{e.description}" if e.description.to_s != ""}",
                  final: !away
                )
        rescue Faraday::Error, Timeout::Error
          raise Core::Channels::SaidNo.new("The network did not answer in time.", final: false)
        end

        def grant(token)
          accounts =
            Array(token.params["accounts"]).select do |one|
              one.is_a?(Hash) && %w[account micropub name].all? { |key| one[key].is_a?(String) }
            end
          Grant.new(
            token: token.token,
            refresh_token: token.refresh_token,
            expires_in: token.expires_in,
            consent_expires_in: token.params["consent_expires_in"],
            accounts: accounts
          )
        end
      end
    end
  end
end
