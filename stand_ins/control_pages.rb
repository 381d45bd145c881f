# frozen_string_literal: true

require "sinatra/base"
require "json"

module StandIns
  # Sets the stand-ins up and gives them faults: accounts with tokens, what goes wrong how often, changed cards.
  class ControlPages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    FAULTS = {
      "slow" => "answers after a while",
      "hang_after_accepting" => "takes the post, then does not answer for a while",
      "bad_gateway_after_accepting" => "takes the post, then answers 502",
      "busy" => "429 with Retry-After",
      "broken" => "500 before taking it",
      "lapsed" => "401",
      "token_refused" => "the token endpoint refuses (handle *)",
      "drop_picture" => "takes the post without its picture",
      "other_picture" => "shows another of its pictures in the place of the post's",
      "saves_anew" => "makes the next picture that comes smaller, and saves it anew",
      "show_late" => "shows the post after a while",
      "never_show" => "takes the post and never shows it",
      "refuse" => "400",
      "no_address" => "takes the post, answers 201 and does not say where it is",
      "other_address" => "takes the post and gives the address of the one before",
      "redirect" => "takes the post and answers 307",
      "long_reply" => "takes the post and answers with 10 MB"
    }.freeze

    helpers do
      def network = settings.networks.fetch(params[:network]) { halt 404 }
      def input = JSON.parse(request.body.read)
      def json(value) = halt(200, { "content-type" => "application/json" }, JSON.generate(value))
    end

    get "/" do
      accounts =
        settings.networks.values.flat_map do |one|
          one.accounts.values.map do |account|
            "<li><a href=\"/networks/#{one.slug}/@#{account.handle}\">#{account.name} on #{one.card["name"]}</a></li>"
          end
        end
      faults = FAULTS.map { |name, what| "<li><code>#{name}</code>: #{what}</li>" }
      "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Stand-ins</title><style>body{font:16px/1.5 " \
        "sans-serif;max-width:40em;margin:2em auto}</style>" \
        "<h1>Stand-ins</h1><p>Invented networks and a mail server, for trying things out.</p><h2>Mail</h2><p><a " \
        "href=\"/mail\">Mailboxes</a></p>" \
        "<h2>Accounts</h2><ul>#{accounts.join}</ul><h2>Faults</h2><p>POST /control/NETWORK/faults with {handle, " \
        "kind, seconds, times}:</p><ul>#{faults.join}</ul></html>"
    end

    post "/control/:network/accounts" do
      body = input
      account = network.add_account(body["handle"], body["name"])
      base = "#{request.base_url}/networks/#{network.slug}"
      json(
        token: account.token,
        account: "#{base}/@#{account.handle}",
        micropub: "#{base}/micropub",
        card: network.card
      )
    end

    # Somebody who can sign in at the network, with the accounts that they post for.
    post "/control/:network/people" do
      body = input
      body["accounts"].each { |handle, name| network.add_account(handle, name) }
      network.add_person(body["login"], body["accounts"].keys)
      json(ok: true)
    end

    # How long tokens and consents last from now on.
    post "/control/:network/lives" do
      body = input
      network.grants.token_life = body["token"] if body["token"]
      network.consent_life = body["consent"] if body.key?("consent")
      json(ok: true)
    end

    # Somebody takes back everything that they consented to, at the network itself.
    post("/control/:network/withdraw") { json(ok: !network.grants.revoke_all(input["login"]).nil?) }

    post "/control/:network/faults" do
      body = input
      halt 422 unless FAULTS.key?(body["kind"])
      network.add_fault(body["handle"], body["kind"], seconds: body.fetch("seconds", 0), times: body.fetch("times", 1))
      json(ok: true)
    end

    post("/control/:network/no-faults") { json(ok: !network.clear_faults.nil?) }
    post("/control/:network/card") { json(ok: !network.change_card(input).nil?) }

    # Every post of an account, shown or not: what a test counts.
    get "/control/:network/:handle/posts" do
      json(network.posts.select { |post| post.handle == params[:handle] && !post.deleted }.map(&:to_h))
    end
  end
end
