# frozen_string_literal: true

require "sinatra/base"
require "json"
require "cgi"
require "uri"

module StandIns
  # Signing in and consenting at a network, and its token endpoints. Sources: RFC 6749 (authorization code), RFC 7636
  # (PKCE), RFC 7009 (revocation), RFC 8414 (metadata), RFC 9207 (the issuer in the answer).
  class ConsentPages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    STYLE =
      "body{font:16px/1.5 sans-serif;max-width:30em;margin:3em auto;padding:0 " \
        "1em;background:#f4f4f2;color:#222}form{background:#fff;padding:1.5em}" \
        "label{display:block;margin:.6em 0}" \
        "input[type=text],input[type=password]{display:block;width:100%;padding:.5em;font:inherit;" \
        "box-sizing:border-box}" \
        "button{font:inherit;padding:.6em 1.2em;margin-right:.6em}p.wrong{color:#a00}"
    CARRIED = %w[response_type client_id redirect_uri state code_challenge code_challenge_method scope].freeze

    helpers do
      def network = settings.networks.fetch(params[:network]) { halt 404 }
      def h(text) = CGI.escapeHTML(text.to_s)
      def issuer = "#{request.base_url}/networks/#{network.slug}"
      def json(value, status = 200) =
        halt(status, { "content-type" => "application/json", "cache-control" => "no-store" }, JSON.generate(value))
      def refuse(word, sentence) = json({ error: word, error_description: sentence }, 400)

      def page(title, body)
        "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" " \
          "content=\"width=device-width\"><title>#{h title}</title><style>#{STYLE}</style>" \
          "<h1>#{h title}</h1>#{body}</html>"
      end

      def carried
        CARRIED.map { |name| "<input type=\"hidden\" name=\"#{name}\" value=\"#{h params[name]}\">" }.join
      end

      def back(values)
        uri = URI.parse(params["redirect_uri"])
        uri.query =
          URI.encode_www_form(
            URI.decode_www_form(uri.query.to_s) + values.merge("state" => params["state"], "iss" => issuer).to_a
          )
        redirect uri.to_s
      end

      # What cannot be sent back safely is shown here instead (RFC 6749, 4.1.2.1).
      def require_sound_request
        unless params["redirect_uri"].to_s.match?(%r{\Ahttps?://})
          halt 400, page("Not possible", "<p>The request has no address to go back to.</p>")
        end
        back("error" => "unsupported_response_type") unless params["response_type"] == "code"
        unless params["code_challenge_method"] == "S256" && params["code_challenge"].to_s.length == 43
          back("error" => "invalid_request", "error_description" => "PKCE with S256 is needed.")
        end
      end

      def account_json(account)
        {
          handle: account.handle,
          name: account.name,
          account: "#{issuer}/@#{account.handle}",
          micropub: "#{issuer}/micropub/#{account.handle}"
        }
      end

      def tokens(grant)
        life = (Time.iso8601(grant.expires_at) - Time.now).round
        accounts =
          grant.handles.filter_map { |handle| network.accounts[handle] }.map { |account| account_json(account) }
        json(
          access_token: grant.access,
          token_type: "Bearer",
          expires_in: life,
          refresh_token: grant.refresh,
          scope: "create update delete media",
          me: grant.login,
          accounts: accounts,
          consent_expires_in: network.consent_life
        )
      end
    end

    # RFC 8414: the well-known part stands before the issuer's path.
    get "/.well-known/oauth-authorization-server/networks/:network" do
      json(
        :issuer => issuer,
        :name => network.card["name"],
        :authorization_endpoint => "#{issuer}/authorize",
        :token_endpoint => "#{issuer}/token",
        :revocation_endpoint => "#{issuer}/revoke",
        :response_types_supported => ["code"],
        :grant_types_supported => %w[authorization_code refresh_token],
        :code_challenge_methods_supported => ["S256"],
        :token_endpoint_auth_methods_supported => ["none"],
        "network-card" => network.card
      )
    end

    get "/networks/:network/authorize" do
      require_sound_request
      logins = network.people.keys.map { |login| "<code>#{h login}</code>" }.join(", ")
      page("Sign in at #{network.card["name"]}", <<~HTML)
        <form method="post" action="/networks/#{network.slug}/authorize">#{carried}
        <label>Name <input type="text" name="login" autocomplete="off" required></label>
        <label>Password <input type="password" name="password" required></label>
        <button name="step" value="sign_in">Sign in</button> <button name="step" value="deny" formnovalidate>Do not allow</button></form>
        <p>An invented network. People here: #{logins}; every password is <code>stand-in</code>.</p>
      HTML
    end

    post "/networks/:network/authorize" do
      require_sound_request
      back("error" => "access_denied", "error_description" => "The person did not consent.") if params["step"] == "deny"
      handles = network.people[params["login"]]
      unless handles && params["password"] == "stand-in"
        halt 401,
             page("Not right", "<p class=\"wrong\">The name or the password is not right. Go back and try again.</p>")
      end

      chosen = Array(params["handles"]) & handles
      if params["step"] == "allow" && chosen.any?
        back(
          "code" => network.grants.code_for(params["login"], chosen, params["code_challenge"], params["redirect_uri"])
        )
      end

      boxes =
        handles.map do |handle|
          "<label><input type=\"checkbox\" name=\"handles[]\" value=\"#{h handle}\" checked> " \
            "#{h network.accounts[handle].name} (@#{h handle})</label>"
        end
      page("May this application post for you?", <<~HTML)
        <form method="post" action="/networks/#{network.slug}/authorize">#{carried}
        <input type="hidden" name="login" value="#{h params["login"]}"><input type="hidden" name="password" value="stand-in">
        <p>#{h params["client_id"]} wants to post, change and delete posts on these accounts:</p>#{boxes.join}
        <button name="step" value="allow">Allow</button> <button name="step" value="deny">Do not allow</button></form>
      HTML
    end

    post "/networks/:network/token" do
      refuse("temporarily_unavailable", "The network is not in the mood.") if network.fault("*", "token_refused")
      case params["grant_type"]
      when "authorization_code"
        grant = network.grants.exchange(params["code"], params["code_verifier"], params["redirect_uri"]) or
          refuse("invalid_grant", "The code is not valid (any more).")
        tokens(grant)
      when "refresh_token"
        grant = network.grants.refresh(params["refresh_token"]) or
          refuse("invalid_grant", "The refresh token is not valid (any more).")
        tokens(grant)
      else
        refuse("unsupported_grant_type", "Only authorization_code and refresh_token.")
      end
    end

    post "/networks/:network/revoke" do
      network.grants.revoke(params["token"])
      halt 200, ""
    end
  end
end
