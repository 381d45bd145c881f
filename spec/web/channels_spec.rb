# frozen_string_literal: true

# Channels over the API, as the interface calls it: with the network's own pages in between.
RSpec.describe "Channels over the API" do
  let(:client) { fresh_client }
  let(:base) { "/api/w/#{world.workspace(client)}" }
  let(:ines) { ApiWorld.client(:ines) }
  let(:network) { "#{Infrastructure.stand_ins[:url]}/networks/spool" }
  let(:handle) { "s#{client}" }
  let(:account) { "#{network}/@#{handle}" }

  before do
    world.world.visitor.add_person("spool", "spool#{client}", { handle => "Reels", "#{handle}2" => "More reels" })
  end

  def way(**more) = ines.call(:post, "#{base}/connect", { network_address: network, channel_id: nil }.merge(more))
  def back(address, handles = [handle], **more) = world.world.visitor.allow(address, "spool#{client}", handles, **more)
  def finish(who, answer) =
    who.call(:post, "/api/connect/finish", { state: answer[:state], code: answer[:code], error: answer[:error] })
  def here = ines.call(:get, "#{base}/channels").last

  it "begin gives an address at the network, finish the way on, and add the channels; nothing of it holds a token" do
    _, begun = way
    expect(begun["address"]).to start_with "#{network}/authorize?"
    status, done = finish(ines, back(begun["address"], [handle, "#{handle}2"]))
    expect([status, done["workspace_id"]]).to eq [200, world.workspace(client)]
    _, seen = ines.call(:get, "#{base}/connect/#{done["try_id"]}")
    expect(seen["accounts"].map { |one| one.values_at("name", "here", "elsewhere") }).to match_array [
                  ["Reels", nil, []],
                  ["More reels", nil, []]
                ]
    expect(ines.call(:post, "#{base}/connect/#{done["try_id"]}/add", { accounts: [] })).to match [
            422,
            a_hash_including("field" => "accounts")
          ]
    status, added = ines.call(:post, "#{base}/connect/#{done["try_id"]}/add", { accounts: [account] })
    expect([status, added["ids"].size]).to eq [201, 1]
    channel = here["channels"].first
    expect(channel).to include("name" => "Reels", "level" => "fine", "consent_by" => "Ines Calloway")
    token = world.environment.secrets.open(db[:connections].where(id: channel["connection_id"]).get(:token))
    expect(JSON.generate([begun, done, seen, added, here])).not_to include token
  end

  it "a no at the network, somebody else's way back and one that is over each have their code" do
    _, begun = way
    expect(finish(ines, back(begun["address"], step: "deny"))).to match [
            403,
            a_hash_including("code" => "consent_refused", "facts" => { "workspace_id" => world.workspace(client) })
          ]
    answer = back(way.last["address"])
    expect(finish(ApiWorld.client(:bram), answer)).to match [410, a_hash_including("code" => "connect_over")]
    expect(finish(ines, answer).first).to eq 200
    expect(finish(ines, answer)).to match [410, a_hash_including("code" => "connect_over")]
    expect(finish(ApiWorld.client, back(way.last["address"])).first).to eq 401
    expect(way(network_address: "https://elsewhere.example").last["code"]).to eq "network_away"
  end

  it "a member who was removed while they stood at the network brings nothing in" do
    login = "c#{SecureRandom.hex(3)}"
    person =
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: db[:agencies].get(:id),
        name: "Gone",
        email: "#{login}@fernhollow.example",
        zone: "Europe/Lisbon",
        password: Demo::World::PASSWORD,
        cost: SpecWorld::CHEAP
      )
    row = {
      workspace_id: world.workspace(client),
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: person,
      side: "agency",
      role_id: db[:roles].where(name: "account lead").get(:id),
      since: world.environment.now
    }
    world.owner[:memberships].insert(row)
    gone = ApiWorld.client(login)
    _, begun = gone.call(:post, "#{base}/connect", { network_address: network, channel_id: nil })
    answer = back(begun["address"])
    world.owner[:memberships].where(id: row[:id]).update(ended_at: world.environment.now, ended_by: world.person(:ines))
    expect(finish(gone, answer)).to match [410, a_hash_including("code" => "connect_over")]
    expect(db[:connect_tries].where(workspace_id: world.workspace(client)).exclude(grant_sealed: nil)).to be_empty
  end

  it "planned, connected, named, ordered, switched off, put into a set, archived and taken out" do
    _, planned =
      ines.call(:post, "#{base}/channels/planned", { network_address: network, account: account, name: "Spool" })
    expect(
      ines.call(:post, "#{base}/channels/planned", { network_address: network, account: account, name: "Spool" })
    ).to match [409, a_hash_including("code" => "channel_there")]
    _, leaflet =
      ines.call(:post, "#{base}/channels/offline", { name: "Leaflet", initials: "Lf", limit: 80, pictures: 1 })
    done = finish(ines, back(way(channel_id: planned["id"]).last["address"])).last
    expect(ines.call(:post, "#{base}/connect/#{done["try_id"]}/add", { accounts: [account] }).last["ids"]).to eq [
         planned["id"]
       ]
    expect(
      ines.call(:put, "#{base}/channels/#{planned["id"]}", { name: "Reels", limits: nil }, "HTTP_IF_MATCH" => '"1"')
    ).to match [409, a_hash_including("code" => "channel_changed")]
    expect(
      ines.call(:put, "#{base}/channels/#{planned["id"]}", { name: "Reels", limits: nil }, "HTTP_IF_MATCH" => '"2"')
    ).to eq [200, { "version" => 3 }]
    expect(ines.call(:put, "#{base}/channels-order", { channel_ids: [leaflet["id"], planned["id"]] }).first).to eq 204
    expect(ines.call(:put, "#{base}/channels/#{leaflet["id"]}/off", { off: true }).first).to eq 204
    _, set = ines.call(:post, "#{base}/channel-sets", { name: "all", channel_ids: [leaflet["id"], planned["id"]] })
    expect(
      ines.call(
        :put,
        "#{base}/channel-sets/#{set["id"]}",
        { name: "both", channel_ids: [planned["id"]] },
        "HTTP_IF_MATCH" => '"1"'
      ).first
    ).to eq 204
    expect(here["channels"].map { |one| one.values_at("name", "off") }).to eq [["Leaflet", true], ["Reels", false]]
    expect(here["sets"].map { |one| one.values_at("name", "channel_ids") }).to eq [["both", [planned["id"]]]]
    expect(ines.call(:post, "#{base}/channels/#{leaflet["id"]}/archive", { out: false }).first).to eq 204
    expect(here["archived"].map { |one| one["name"] }).to eq ["Leaflet"]
    expect(ines.call(:post, "#{base}/channels/#{leaflet["id"]}/archive", { out: true }).first).to eq 204
    expect(ines.call(:delete, "#{base}/channel-sets/#{set["id"]}").first).to eq 204
    expect(here["sets"]).to be_empty
  end

  it "a consent is withdrawn at the network too" do
    done = finish(ines, back(way.last["address"])).last
    ines.call(:post, "#{base}/connect/#{done["try_id"]}/add", { accounts: [account] })
    connection = here["channels"].first["connection_id"]
    token = world.environment.secrets.open(db[:connections].where(id: connection).get(:token))
    expect(ines.call(:post, "#{base}/connections/#{connection}/withdraw", nil).first).to eq 204
    expect(here["channels"].first).to include("level" => "lapsed")
    request = Net::HTTP::Get.new(URI("#{network}/micropub/#{handle}?q=config"), "Authorization" => "Bearer #{token}")
    expect(Net::HTTP.start(request.uri.host, request.uri.port) { |http| http.request(request) }.code).to eq "401"
  end
end
