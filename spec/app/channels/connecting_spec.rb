# frozen_string_literal: true

# Against the stand-in networks' own OAuth 2.0 pages, as a person with a browser goes there and comes back.
RSpec.describe "Connecting a channel" do
  let(:client) { fresh_client }
  let(:visitor) { world.world.visitor }
  let(:address) { "#{Infrastructure.stand_ins[:url]}/networks/guildhall" }
  let(:handle) { "h#{client}" }

  before do
    visitor.add_person("guildhall", "person#{client}", { handle => "Tarn Mills", "#{handle}2" => "Tarn Mills jobs" })
  end

  def begin_way(who = :ines, **more) =
    world.act("Channels::BeginConnect", who, client, network_address: address, **more)
  def finish(who = :ines, **back) =
    AskFirst::App::Channels::FinishConnect.call(world.environment, world.person(who), **back)
  def allow(way, handles = [handle], **more) = visitor.allow(way, "person#{client}", handles, **more)
  def look(found, who = :ines) = world.act("Channels::ConnectTry", who, client, try_id: found[:try_id])
  def add(found, accounts = [account], **more) =
    world.act("Channels::AddAccounts", :ines, client, try_id: found[:try_id], accounts: accounts, **more)
  def account(of = handle) = visitor.account("guildhall", of)
  def channels = db[:channels].where(workspace_id: world.workspace(client))
  def connect(handles = [handle], **more) =
    add(finish(**allow(begin_way(**more), handles)), handles.map { |one| account(one) })

  def code_of
    yield
    nil
  rescue AskFirst::Core::Error => e
    e.code
  end

  it "goes by way of the network's consent page and adds only the accounts that were ticked" do
    found = finish(**allow(begin_way, [handle, "#{handle}2"]))
    expect(look(found)[:accounts].map { |one| one[:name] }).to match_array ["Tarn Mills", "Tarn Mills jobs"]
    add(found, [account("#{handle}2")])
    expect(channels.select_map(%i[name network state])).to eq [["Tarn Mills jobs", "Guildhall", "connected"]]
    expect(db[:record].where(workspace_id: world.workspace(client)).select_map(:act)).to include(
      "connect_begun",
      "consented",
      "channel_connected"
    )
  end

  it "carries a challenge by PKCE, whose verifier never leaves the server in clear" do
    query = URI.decode_www_form(URI.parse(begin_way).query).to_h
    try = db[:connect_tries].where(workspace_id: world.workspace(client)).first
    expect(query).to include("response_type" => "code", "code_challenge_method" => "S256")
    verifier = world.environment.secrets.open(try[:verifier])
    expect(query["code_challenge"]).to eq AskFirst::Core::Channels::Pkce.challenge(verifier)
    expect(try[:verifier]).not_to include verifier
    expect(try[:state_digest]).to eq AskFirst::App::Channels::BeginConnect.digest(query["state"])
    # the network itself refuses the code without it
    back = allow(begin_way)
    reply =
      Net::HTTP.post_form(
        URI("#{address}/token"),
        "grant_type" => "authorization_code",
        "code" => back[:code],
        "redirect_uri" => query["redirect_uri"],
        "code_verifier" => "a" * 43
      )
    expect([reply.code, JSON.parse(reply.body)["error"]]).to eq %w[400 invalid_grant]
  end

  it "moves no channel of one network to another that calls its account its own" do
    connect
    mine = channels.first
    found = finish(**allow(begin_way))
    db[:connect_tries].where(id: found[:try_id]).update(network_address: "http://other.example/", network: "Other")
    before = channels.all
    expect(code_of { add(found) }).to eq "other_network"
    expect(channels.all).to eq before
    expect(mine[:account]).to eq account
  end

  it "keeps the tokens encrypted, and no page that the browser gets holds them" do
    connect
    row = db[:connections].where(workspace_id: world.workspace(client)).first
    tokens = [row[:token], row[:refresh_token]].map { |sealed| world.environment.secrets.open(sealed) }
    expect(tokens.map(&:length)).to all be > 20
    expect(row.values_at(:token, :refresh_token).join.b).not_to include(*tokens)
    page = JSON.generate(world.act("Channels::ChannelList", :ines, client))
    expect(page).to include "Connected on the consent of Ines Calloway."
    tokens.each { |token| expect(page).not_to include token }
  end

  describe "coming back" do
    it "with a no changes nothing and says so" do
      back = allow(begin_way, step: "deny")
      expect { finish(**back) }.to raise_error(AskFirst::Core::Refused, /did not allow it at Guildhall/)
      expect(channels).to be_empty
      expect(
        db[:record].where(workspace_id: world.workspace(client), act: "connect_refused").get(:facts)["why"]
      ).to eq "access_denied"
    end

    it "works once, for who began it, and within minutes" do
      back = allow(begin_way)
      expect(code_of { finish(:bram, **back) }).to eq "connect_over"
      expect(finish(**back)).to include(:try_id)
      expect(code_of { finish(**back) }).to eq "connect_over"
      expect(code_of { finish(state: "invented", code: "x") }).to eq "connect_over"
      late = allow(begin_way)
      world.clock.set(SpecWorld::NOON + 601)
      expect(code_of { finish(**late) }).to eq "connect_over"
    end

    it "never happens: nothing is kept but the try, and one begins again" do
      begin_way
      expect(channels).to be_empty
      connect
      expect(channels.count).to eq 1
    end

    it "two at once with the same answer make one try" do
      back = allow(begin_way)
      ends = Array.new(3) { Thread.new { code_of { finish(**back) } } }.map(&:value)
      expect(ends.count(nil)).to eq 1
      expect(ends.compact.uniq).to eq ["connect_over"]
    end

    it "while the network's token page is in trouble, says so, and the next try works" do
      world.world.control("guildhall/faults", { handle: "*", kind: "token_refused" })
      back = allow(begin_way)
      expect(code_of { finish(**back) }).to eq "network_said_no"
      connect
      expect(channels.count).to eq 1
    ensure
      world.world.control("guildhall/no-faults", {})
    end

    it "leaves an hour to choose, and adds nothing twice" do
      found = finish(**allow(begin_way))
      world.clock.set(SpecWorld::NOON + 3_601)
      expect(code_of { look(found) }).to eq "connect_over"
      world.clock.set(SpecWorld::NOON)
      add(found)
      expect(code_of { add(found) }).to eq "not_found"
      expect(code_of { look(found, :bram) }).to eq "not_found"
      expect(channels.count).to eq 1
    end
  end

  describe "connecting again" do
    def lapse(id) =
      AskFirst::App::Channels::Lapse.call(
        world.jobs,
        AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
        channel_id: id
      )

    it "keeps the channel, its posts and their yeses" do
      id = connect.first
      post = ready_post(client, id)
      before = world.post_state(post, client).adaptations.first
      lapse(id)
      expect(world.post_state(post, client).adaptations.first.channel[:state]).to eq "lapsed"
      expect(code_of { world.release(post, client: client) }).to eq "channel_lapsed"
      expect(connect(channel_id: id)).to eq [id]
      after = world.post_state(post, client).adaptations.first
      expect([after.channel[:state], after.fingerprint, after.stage]).to eq ["connected", before.fingerprint, "cleared"]
      world.release(post, client: client)
      expect(world.stage(post)).to eq "released"
    end

    it "with another account says which one is meant, and changes nothing" do
      id = connect.first
      lapse(id)
      visitor.add_person("guildhall", "stranger#{client}", { "#{handle}9" => "Somebody else" })
      found = finish(**visitor.allow(begin_way(channel_id: id), "stranger#{client}", ["#{handle}9"]))
      expect { add(found, [account("#{handle}9")]) }.to raise_error(AskFirst::Core::Conflict) { |error|
        expect([error.code, error.facts["wanted"]]).to eq ["other_account", account]
      }
      expect(channels.select_map(:state)).to eq ["lapsed"]
    end
  end

  describe "a channel that is not connected yet" do
    def plan =
      world.act("Channels::PlanChannel", :ines, client, network_address: address, account: account, name: "Guildhall")

    it "is planned and approved for, not released; connected, the waiting post can go as it was approved" do
      id = plan
      one_step_route(client)
      post = plain_post(client, id)
      world.ask(post, 0, client: client)
      world.answer(post, :bram, client: client)
      before = world.post_state(post, client).adaptations.first
      expect(before.stage).to eq "cleared"
      expect(code_of { world.release(post, client: client) }).to eq "channel_planned"
      expect(connect(channel_id: id)).to eq [id]
      after = world.post_state(post, client).adaptations.first
      expect([after.stage, after.fingerprint]).to eq ["cleared", before.fingerprint]
      world.release(post, client: client)
      expect(world.stage(post)).to eq "released"
    end

    it "is one channel for one account" do
      plan
      expect(code_of { plan }).to eq "channel_there"
      expect {
        world.act(
          "Channels::PlanChannel",
          :ines,
          client,
          network_address: address,
          account: "not an address",
          name: "x"
        )
      }.to raise_error(AskFirst::Core::Invalid) { |error| expect(error.field).to eq "account" }
      expect(
        code_of do
          world.act(
            "Channels::PlanChannel",
            :ines,
            client,
            network_address: "https://elsewhere.example",
            account: account,
            name: "x"
          )
        end
      ).to eq "network_away"
    end
  end

  describe "an account that another client has connected" do
    let(:other) { fresh_client("Other house") }

    before do
      world.act(
        "Channels::AddAccounts",
        :ines,
        other,
        try_id: finish(**allow(world.act("Channels::BeginConnect", :ines, other, network_address: address)))[:try_id],
        accounts: [account]
      )
    end

    it "says so to whoever is a member there, and is added only when it is meant" do
      found = finish(**allow(begin_way))
      expect(look(found)[:accounts].first[:elsewhere]).to eq ["Other house"]
      expect { add(found) }.to raise_error(AskFirst::Core::Conflict) { |error|
        expect([error.code, error.message]).to match ["connected_elsewhere", /Other house/]
      }
      add(found, anyway: true)
      expect(channels.count).to eq 1
      twice = AskFirst::App::Agency::People.call(world.environment, agency_person(:bram))[:twice]
      expect(twice.find { |one| one[:account] == account }[:workspace_ids]).to match_array [
                    world.workspace(client),
                    world.workspace(other)
                  ]
    end

    it "says nothing to somebody who is no member there" do
      world.owner[:memberships].where(workspace_id: world.workspace(other), person_id: world.person(:ines)).update(
        ended_at: world.environment.now
      )
      found = finish(**allow(begin_way))
      expect(JSON.generate(look(found))).not_to include "Other house"
      expect(add(found).size).to eq 1
    end
  end

  describe "whose consent it is" do
    it "is said; whoever gave it may take it back, and what was released stays in sight" do
      id = connect.first
      post = ready_post(client, id)
      world.release(post, client: client)
      connection = channels.where(id: id).get(:connection_id)
      world.act("Channels::WithdrawConsent", :ines, client, connection_id: connection)
      expect(channels.where(id: id).get(:state)).to eq "lapsed"
      expect(world.stage(post)).to eq "released"
      world.clock.set(Time.utc(2026, 10, 15, 6, 30, 5))
      AskFirst::App::Dispatch::Advance.call(
        world.jobs,
        AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
        showing_id: db[:showings].where(post_id: post).get(:id)
      )
      expect(world.stage(post)).to eq "trouble"
      listed =
        AskFirst::App::Agency::Desk.call(world.environment, agency_person(:ines).scope(world.environment.db))[
          :trouble
        ].map { |one| one[:id] || one[:post_id] }
      expect(listed).to include post
    end

    it "when that person leaves the client, is said early and asks for another's" do
      id = connect.first
      role = db[:roles].where(name: "account lead").get(:id)
      world.owner[:memberships].insert(
        workspace_id: world.workspace(client),
        id: AskFirst::Core::Uuid.v7(Time.now),
        person_id: world.person(:tobiah),
        side: "agency",
        role_id: role,
        since: world.environment.now
      )
      sheet =
        world.act(
          "People::MemberSheet",
          :bram,
          client,
          membership_id:
            db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:ines)).get(:id)
        )
      expect(sheet[:holds][:channels]).to eq ["Tarn Mills"]
      world.act("People::EndMember", :bram, client, membership_id: sheet[:id], to: world.person(:tobiah))
      said = world.act("Channels::ChannelList", :tobiah, client)[:channels].find { |one| one[:id] == id }
      expect(said).to include(level: "soon", sentence: a_string_including("the consent of Ines Calloway, who has left"))
      expect(
        AskFirst::App::Agency::Desk.call(world.environment, agency_person(:tobiah).scope(world.environment.db))[
          :connections
        ].map { |one| one[:channel_id] || one[:id] }
      ).to include id
    end

    it "when a consent ends within a week, is said on the channel page, the Desk and every post there" do
      world.world.control("guildhall/lives", { consent: 3 * 86_400 })
      id = connect.first
      post = plain_post(client, id)
      said = world.act("Channels::ChannelList", :ines, client)[:channels].find { |one| one[:id] == id }
      expect(said).to include(level: "soon", sentence: "The consent ends in 3 days. Connect it again before.")
      sheet = world.act("Posts::PostSheet", :ines, client, post_id: post)
      expect(JSON.generate(sheet)).to include "The consent ends in 3 days."
      expect(
        JSON.generate(
          AskFirst::App::Agency::Desk.call(world.environment, agency_person(:ines).scope(world.environment.db))[
            :connections
          ]
        )
      ).to include "The consent ends in 3 days."
    ensure
      world.world.control("guildhall/lives", { consent: nil })
    end
  end

  describe "renewing" do
    it "happens before a token lapses, with the refresh token that works once" do
      connect
      row = db[:connections].where(workspace_id: world.workspace(client)).first
      before = world.environment.secrets.open(row[:token])
      world.clock.set(row[:expires_at] - 300)
      AskFirst::App::Channels::Renew.call(world.jobs)
      after = db[:connections].where(id: row[:id]).first
      expect(world.environment.secrets.open(after[:token])).not_to eq before
      expect([after[:state], after[:expires_at] > row[:expires_at]]).to eq ["connected", true]
    end

    it "by two processes at once asks the network once for each connection" do
      connect
      row = db[:connections].where(workspace_id: world.workspace(client)).first
      world.clock.set(row[:expires_at] - 300)
      Array.new(3) { Thread.new { AskFirst::App::Channels::Renew.call(world.jobs) } }.each(&:value)
      # a refresh token used twice would have been refused, and the connection lapsed
      expect(db[:connections].where(id: row[:id]).get(:state)).to eq "connected"
    end

    it "lapses when somebody withdrew it at the network, and stays connected while the network is only away" do
      connect
      row = db[:connections].where(workspace_id: world.workspace(client)).first
      world.clock.set(row[:expires_at] - 300)
      away =
        world.jobs.dup.tap do |environment|
          environment.consent =
            AskFirst::Edge::Networks::Consent.new(
              AskFirst::Edge::Networks::Catalogue.new(["http://127.0.0.1:9/networks/guildhall"]),
              world.settings.public_url
            )
        end
      AskFirst::App::Channels::Renew.call(away)
      expect(db[:connections].where(id: row[:id]).get(:state)).to eq "connected"
      world.clock.set(row[:expires_at] - 270)
      world.world.control("guildhall/withdraw", { login: "person#{client}" })
      AskFirst::App::Channels::Renew.call(world.jobs)
      expect(db[:connections].where(id: row[:id]).get(:state)).to eq "lapsed"
      expect(channels.select_map(:state)).to eq ["lapsed"]
      expect(
        db[:record].where(workspace_id: world.workspace(client), act: "connection_lapsed").get(:process)
      ).to eq "worker"
    end
  end

  describe "a renewal that was cut off between the network's reply and its keeping" do
    # As one that is killed there: the network has given new tokens, and nobody keeps them.
    def cut_off(row)
      killed = Class.new(StandardError)
      consent = world.environment.consent
      dying = Object.new
      dying.define_singleton_method(:refresh) { |*asked| consent.refresh(*asked).then { raise killed } }
      environment = world.jobs.dup.tap { |same| same.consent = dying }
      world.clock.set(row[:expires_at] - 500)
      expect { AskFirst::App::Channels::Renew.call(environment) }.to raise_error(killed)
    end

    let(:row) { db[:connections].where(workspace_id: world.workspace(client)).first }

    def now_kept = db[:connections].where(id: row[:id]).first

    before do
      connect
      db[:connections].exclude(id: row[:id]).update(expires_at: row[:expires_at] + 86_400) # those of other examples
    end

    it "is made again with what we had, where the network still takes it" do
      cut_off(row)
      AskFirst::App::Channels::Renew.call(world.jobs)
      expect(now_kept[:expires_at]).to eq row[:expires_at] # whoever was at it may still be
      world.clock.set(row[:expires_at] - 400)
      AskFirst::App::Channels::Renew.call(world.jobs)
      expect([now_kept[:state], now_kept[:expires_at] > row[:expires_at]]).to eq ["connected", true]
    end

    it "leaves the connection as long as its token lasts where the network does not, and says so" do
      cut_off(row)
      world.clock.set(row[:expires_at] - 400)
      strict = Object.new
      strict.define_singleton_method(:refresh) do |*_|
        raise AskFirst::Core::Channels::SaidNo.new("This was used already.", final: true)
      end
      strange = Object.new
      strange.define_singleton_method(:client_with) { |*_| Struct.new(:card).new(nil) }
      environment = world.jobs.dup
      environment.consent = strict
      environment.networks = strange
      AskFirst::App::Channels::Renew.call(environment)
      expect(now_kept.values_at(:state, :refresh_token)).to eq ["connected", nil]
      expect(channels.select_map(:state)).to eq ["connected"]
      expect(db[:record].where(workspace_id: world.workspace(client), act: "connection_not_renewed").count).to eq 1
      expect(world.act("Channels::ChannelList", :ines, client)[:channels].first).to include(
        level: "soon",
        sentence: a_string_including("Connect it again before")
      )
    end
  end

  it "is for those whose role has it" do
    expect(
      code_of { world.act("Channels::BeginConnect", :maro, :quillmere, network_address: address) }
    ).to eq "not_yours"
  end
end
