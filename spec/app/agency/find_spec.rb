# frozen_string_literal: true

RSpec.describe "One line that finds" do
  let(:client) { fresh_client("Reedmace Rowing") }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def find(words, limits: nil) = AskFirst::App::Agency::Find.call(scope_of(client, limits: limits), words)
  def names(found) = found.transform_values { |rows| rows.map { |row| row[:name] || row[:subject] } }

  def post(on, subject: "Coxswain wanted", text: "Bring a loud voice.")
    id = plain_post(client, on, text: text)
    world.act("Posts::Rename", :ines, client, post_id: id, subject: subject, version: 1)
    id
  end

  it "finds posts by subject and copy, people, labels, campaigns, and files where they are shown" do
    id = post(ticker)
    world.act("Posts::SetLabels", :ines, client, post_id: id, names: ["Cox"])
    world.act("Posts::SetCampaign", :ines, client, post_id: id, name: "Coxed fours")
    picture = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(9), name: "cox-seat.jpg")[:id]
    media = { part: "media", channel_id: nil, value: [picture], version: 0 }
    world.act("Posts::UpdatePart", :ines, client, post_id: id, **media)
    expect(names(find("cox"))).to eq(
      posts: ["Coxswain wanted"],
      discarded: [],
      people: [],
      labels: ["Cox"],
      campaigns: ["Coxed fours"],
      media: ["cox-seat.jpg"]
    )
    expect(names(find("LOUD voice"))[:posts]).to eq ["Coxswain wanted"]
    expect(names(find("calloway"))[:people]).to eq ["Ines Calloway"]
    expect(find("cox")[:media].first).to include(post_id: id, subject: "Coxswain wanted")
  end

  it "finds for a member of some channels what is on these" do
    post(ticker, subject: "Cox on ticker")
    hidden = post(vitrine, subject: "Cox on vitrine")
    picture = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(9), name: "cox-seat.jpg")[:id]
    media = { part: "media", channel_id: nil, value: [picture], version: 0 }
    world.act("Posts::UpdatePart", :ines, client, post_id: hidden, **media)
    found = names(find("cox", limits: [ticker]))
    expect([found[:posts], found[:media]]).to eq [["Cox on ticker"], []]
  end

  it "takes signs as they are, and nothing for one letter" do
    post(ticker, subject: "100 % oak")
    expect(names(find("0 %"))[:posts]).to eq ["100 % oak"]
    expect(names(find("% o_k"))[:posts]).to eq []
    expect(find("o").values.flatten).to eq []
    expect(refusal { find("x" * 101) }.code).to eq "too_long"
  end

  it "does not find what is another client's" do
    post(ticker)
    other = fresh_client
    found = AskFirst::App::Agency::Find.call(scope_of(other), "coxswain")
    expect(found.values.flatten).to eq []
  end
end
