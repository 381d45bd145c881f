# frozen_string_literal: true

# A client's partners: written down, tied to what is made with them, merged where two are one.
RSpec.describe "The partners of a client" do
  let(:client) { fresh_client }

  def keep(id: nil, version: 0, who: :ines, **said)
    named = { fields: said.transform_keys(&:to_s), partner_id: id, version: version }
    world.act("Partners::SavePartner", who, client, **named)[:id]
  end

  def one(id, who: :ines) = world.act("Partners::PartnerDetail", who, client, partner_id: id)
  def listed = world.act("Partners::PartnerList", :ines, client)[:partners]
  def tie(id, **ties) = world.act("Partners::Tie", :ines, client, partner_id: id, **ties)

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  it "stand by name, with what they cost, what they owe and which may be the same" do
    keep(name: "pier bakery", status: "agreed", due_on: "2026-10-13", fee: { "minor" => 25_000, "currency" => "EUR" })
    keep(name: "Boat yard")
    keep(name: "Bakery, Pier")
    expect(listed.map { |partner| partner.values_at(:name, :late, :fee) }).to eq [
         ["Bakery, Pier", false, nil],
         ["Boat yard", false, nil],
         ["pier bakery", true, { minor: 25_000, currency: "EUR" }]
       ]
    expect(listed.map { |partner| partner[:alike].size }).to eq [1, 0, 1]
  end

  it "are changed by whoever saw them as they are" do
    id = keep(name: "Lise")
    keep(id: id, version: 1, status: "agreed")
    expect(one(id)).to include(name: "Lise", status: "agreed", version: 2)
    expect(code { keep(id: id, version: 1, status: "out") }).to eq %w[partner_changed version]
    expect(code { keep(note: "no name") }).to eq %w[name_missing name]
  end

  it "are tied to posts, ideas and files, of this client alone" do
    id = keep(name: "Lise")
    post = plain_post(client, connected(client))
    idea = world.act("Ideas::SaveIdea", :ines, client, fields: { "title" => "Bread" })[:id]
    tie(id, post_ids: [post], idea_ids: [idea])
    world.act("Partners::AddFile", :ines, client, partner_id: id, io: StringIO.new("agreed"), name: "agreement.txt")
    found = one(id)
    expect([found[:made].map { |line| line[:id] }, found[:ideas], found[:files].map { |file| file[:name] }]).to eq [
         [post],
         [{ id: idea, title: "Bread" }],
         ["agreement.txt"]
       ]
    expect(listed.first[:posts]).to eq 1
    expect(code { tie(id, post_ids: [world.draft]) }).to eq %w[not_found]
    tie(id, post_ids: [])
    expect([one(id)[:made], one(id)[:ideas].size]).to eq [[], 1]
    expect(world.act("Clients::BrandSheet", :ines, client)[:files]).to eq []
  end

  it "a file goes out to whoever may see partners, and is taken off" do
    id = keep(name: "Lise")
    named = { partner_id: id, io: StringIO.new("agreed"), name: "agreement.txt" }
    file = world.act("Partners::AddFile", :ines, client, **named)
    path = world.act("Partners::OpenFile", :ines, client, partner_id: id, file_id: file)[:path]
    expect(File.read(path)).to eq "agreed"
    other = keep(name: "Boat yard")
    expect(code { world.act("Partners::OpenFile", :ines, client, partner_id: other, file_id: file) }).to eq %w[
         not_found
       ]
    expect(code { world.act("Clients::RemoveBrandFile", :ines, client, file_id: file) }).to eq %w[not_found]
    world.act("Partners::RemoveFile", :ines, client, partner_id: id, file_id: file)
    expect(one(id)[:files]).to eq []
  end

  it "of two that are the same one stays, with everything of both" do
    one_of_two =
      keep(
        name: "Lise",
        contact: "lise@pier.example",
        note: "Bakes at five",
        fee: {
          "minor" => 1,
          "currency" => "EUR"
        }
      )
    stays = keep(name: "Pier Bakery", note: "On the pier", fee: { "minor" => 2, "currency" => "EUR" })
    post = plain_post(client, connected(client))
    tie(one_of_two, post_ids: [post])
    tie(stays, post_ids: [post])
    world.act("Partners::AddFile", :ines, client, partner_id: one_of_two, io: StringIO.new("x"), name: "a.txt")
    world.act("Partners::Merge", :ines, client, partner_id: one_of_two, into: stays)
    expect(one(stays)).to include(
      name: "Pier Bakery",
      contact: "lise@pier.example",
      note: "On the pier\n\nBakes at five",
      fee: {
        minor: 2,
        currency: "EUR"
      },
      posts: 1
    )
    expect(one(stays)[:files].size).to eq 1
    expect(code { one(one_of_two) }).to eq %w[not_found]
    expect(code { world.act("Partners::RestorePartner", :ines, client, partner_id: one_of_two) }).to eq %w[not_found]
    expect(code { world.act("Partners::Merge", :ines, client, partner_id: stays, into: stays) }).to eq %w[not_found]
  end

  it "are thrown away and taken up again" do
    id = keep(name: "Lise")
    world.act("Partners::RemovePartner", :ines, client, partner_id: id)
    expect(listed).to eq []
    world.act("Partners::RestorePartner", :ines, client, partner_id: id)
    expect(listed.size).to eq 1
  end

  it "are not for whoever is limited to channels" do
    id = keep(name: "Lise")
    limited = limited_to
    expect(code { world.act("Partners::PartnerList", limited) }).to eq %w[other_channel]
    expect(code { world.act("Partners::PartnerDetail", limited, partner_id: id) }).to eq %w[other_channel]
  end
end
