# frozen_string_literal: true

require "json"
require "net/http"
require "uri"

module Demo
  # Somebody with a browser: goes to a network, signs in, allows accounts, and comes back, over the real pages.
  class Visitor
    PASSWORD = "stand-in"

    # @param address [String] where the networks are
    def initialize(address)
      @address = address
    end

    # Lets somebody sign in at a network for these accounts, beside those that they had.
    def add_person(network, login, accounts)
      post("#{@address}/control/#{network}/people", JSON.generate(login: login, accounts: accounts), "application/json")
    end

    # The whole way: begin, allow there, come back, add.
    # @return [Array<String>] channel ids
    def connect(environment, member, network, login, handles, **more)
      way =
        AskFirst::App::Channels::BeginConnect.call(
          environment,
          member,
          network_address: "#{@address}/networks/#{network}",
          **more
        )
      found = AskFirst::App::Channels::FinishConnect.call(environment, member.person_id, **allow(way, login, handles))
      AskFirst::App::Channels::AddAccounts.call(
        environment,
        member,
        try_id: found[:try_id],
        accounts: handles.map { |handle| account(network, handle) },
        anyway: true
      )
    end

    def account(network, handle)
      "#{@address}/networks/#{network}/@#{handle}"
    end

    # What the person's browser brings back.
    # @param step [String] "allow" or "deny"
    # @return [Hash] {state:, code:} or {state:, error:}
    def allow(way, login, handles, step: "allow")
      uri = URI.parse(way)
      form =
        URI.decode_www_form(uri.query) + [["login", login], ["password", PASSWORD], ["step", step]] +
          handles.map { |handle| ["handles[]", handle] }
      reply =
        post(
          "#{uri.scheme}://#{uri.authority}#{uri.path}",
          URI.encode_www_form(form),
          "application/x-www-form-urlencoded"
        )
      back = URI.decode_www_form(URI.parse(reply["location"]).query).to_h
      { state: back["state"], code: back["code"], error: back["error"] }.compact
    end

    private

    def post(address, body, type)
      Net::HTTP.post(URI(address), body, "Content-Type" => type)
    end
  end
end
