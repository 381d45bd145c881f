# frozen_string_literal: true

require "monitor"
require_relative "../../stand_ins/network"

# The stand-ins are tested as what they are: a small world of their own, with faults on request.
RSpec.describe StandIns::Network do
  let(:folder) { Dir.mktmpdir }
  let(:network) { described_class.new("ticker", folder) }
  let(:account) { network.add_account("quillmere", "Quillmere Ferries") }

  after { FileUtils.rm_rf(folder) }

  it "gives an account once, with a token of its own" do
    expect(network.add_account("quillmere", "again").token).to eq account.token
    expect(network.account_of(account.token).handle).to eq "quillmere"
    expect(network.account_of("guess")).to be_nil
  end

  it "makes two posts of the same id where it does not count ids, and one where it does" do
    2.times { network.create("quillmere", { "content" => ["Fog"] }, "af-1") }
    expect(network.posts.size).to eq 2
    vitrine = described_class.new("vitrine", folder)
    2.times { vitrine.create("quillmere", { "content" => ["Fog"] }, "af-1") }
    expect(vitrine.posts.size).to eq 1
  end

  it "remembers everything after it was killed, but for half a line" do
    account
    post = network.create("quillmere", { "content" => ["Fog"] }, "af-1")
    network.change(post.id, { "content" => ["Mist"] })
    File.open(File.join(folder, "ticker.jsonl"), "a") { |file| file.write('{"post":{"id":"half') }
    again = described_class.new("ticker", folder)
    expect(again.find(post.id).properties["content"]).to eq ["Mist"]
    expect(again.account_of(account.token).name).to eq "Quillmere Ferries"
  end

  it "has a fault as often as it was told, for that account only" do
    network.add_fault("quillmere", "busy", seconds: 3, times: 2)
    expect(network.fault("brackwater", "busy")).to be_nil
    expect(Array.new(3) { network.fault("quillmere", "busy", "slow") }.map { |one| one && one[:seconds] }).to eq [
         3,
         3,
         nil
       ]
    network.add_fault("quillmere", "busy")
    network.clear_faults
    expect(network.fault("quillmere", "busy")).to be_nil
  end

  it "shows a late post when its time has come" do
    late = network.create("quillmere", {}, nil, delay: 3_600)
    now = network.create("quillmere", {}, nil)
    expect(network.of("quillmere")).to eq [now]
    expect(network.shows?(late)).to be false
  end

  it "deletes, changes its card, and keeps files by ids of its own" do
    post = network.create("quillmere", {}, nil)
    network.delete(post.id)
    expect(network.find(post.id)).to be_nil
    network.change_card("settles_within" => 9)
    expect(described_class.new("ticker", folder).card["settles_within"]).to eq 9
    id = network.keep_file(StringIO.new("bytes"), "image/jpeg")
    expect(File.read(network.file(id))).to eq "bytes"
    expect(network.file("../../etc/passwd")).to be_nil
  end

  it "declares among the six every combination of what a sender can rely on" do
    relies = StandIns::CARDS.values.map { |card| card.values_at("finds_by_id", "same_id_once") }
    expect(relies.uniq).to match_array [true, false].product([true, false])
    expect(StandIns::CARDS.keys).to match_array %w[ticker vitrine guildhall commons spool noticeboard]
  end
end

RSpec.describe "The stand-ins' pages", :database do
  def get(path) = Net::HTTP.get_response(URI("#{Infrastructure.stand_ins[:url]}#{path}"))

  it "lead to mailboxes, accounts and faults" do
    expect(get("/").body).to include("Mailboxes", "drop_picture")
    expect(get("/mail").code).to eq "200"
    expect(get("/networks/ticker/@quillmere").body).to include "Quillmere Ferries on Ticker"
    expect(get("/networks/nowhere/@quillmere").code).to eq "404"
    expect(get("/networks/ticker/@quillmere/nothing").code).to eq "404"
  end

  it "show a post as its audience sees it, with nothing that was meant for the site only" do
    account = world.world.control("ticker/accounts", { handle: "audience", name: "Audience" })
    client = AskFirst::Edge::Networks::Micropub.new(account["micropub"], account["token"])
    made = client.create({ "text" => "<b>Fog</b>", "media" => [] }, pictures: [], send_id: "af-secret", now: Time.now)
    page = Net::HTTP.get(URI(made.address))
    expect(page).to include "&lt;b&gt;Fog&lt;/b&gt;"
    expect(page).not_to include "af-secret"
  end

  it "know no fault that is not described" do
    reply =
      Net::HTTP.post(
        URI("#{Infrastructure.stand_ins[:url]}/control/ticker/faults"),
        JSON.generate(handle: "quillmere", kind: "gremlins"),
        "Content-Type" => "application/json"
      )
    expect(reply.code).to eq "422"
  end
end
