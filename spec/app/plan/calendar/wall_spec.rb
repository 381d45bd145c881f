# frozen_string_literal: true

RSpec.describe "The wall of a channel" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def wall(channel = vitrine) = world.act("Plan::Wall", :ines, client, channel_id: channel)[:cells]

  def pictured(on, wall, seed: 3)
    post = plain_post(client, on, wall: wall)
    id = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: "boat.jpg")[:id]
    facts = { post_id: post, channel_id: nil, part: "media", value: [id], version: 0 }
    world.act("Posts::UpdatePart", :ines, client, **facts)
    [post, id]
  end

  it "has the coming posts of the channel, the latest first, with their first picture" do
    first, picture = pictured([vitrine], "2026-10-20T09:00")
    last, = pictured([ticker, vitrine], "2026-10-22T09:00", seed: 4)
    plain_post(client, ticker, wall: "2026-10-23T09:00")
    found = wall
    expect(found.map { |cell| cell[:post_id] }).to eq [last, first]
    expect(found.last).to include(
      media: {
        id: picture,
        video: false
      },
      words: "The late boat waits.",
      stage: "drafting"
    )
    expect(found.first[:channels].map { |channel| channel["id"] }).to match_array [ticker, vitrine]
  end

  it "shows what is out below, and a post without a picture by its words" do
    out = plain_post(client, vitrine, wall: "2026-10-10T09:00")
    db[:adaptations].where(post_id: out).update(stage: "out")
    coming = plain_post(client, vitrine, wall: "2026-10-20T09:00")
    expect(wall.map { |cell| [cell[:post_id], cell[:stage], cell[:media]] }).to eq [
         [coming, "drafting", nil],
         [out, "out", nil]
       ]
  end

  it "takes the channel's own time and picture before the master's" do
    post, = pictured([ticker, vitrine], "2026-10-20T09:00")
    other, = pictured([vitrine], "2026-10-21T09:00")
    time = { "wall" => "2026-10-25T09:00", "zone" => "Europe/Lisbon" }
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: vitrine,
      part: "time",
      value: time,
      version: 0
    )
    expect(wall.map { |cell| cell[:post_id] }).to eq [post, other]
    expect(wall(ticker).map { |cell| cell[:time]["wall"] }).to eq ["2026-10-20T09:00:00"]
  end

  it "is of a channel that the reader sees" do
    limited = limited_to(ticker)
    see = ->(channel) { AskFirst::App::Plan::Wall.call(world.environment, limited, channel_id: channel) }
    expect(see.call(ticker)[:cells]).to eq []
    expect(refusal { see.call(vitrine) }).to be_a(AskFirst::Core::NotFound)
    expect(refusal { wall(world.channel(:ticker)) }).to be_a(AskFirst::Core::NotFound)
  end

  it "is read by the same statements for one post as for many" do
    pictured([vitrine], "2026-10-20T09:00")
    wall
    few = statements { wall }
    5.times { |n| plain_post(client, vitrine, wall: "2026-11-0#{n + 1}T09:00") }
    expect(statements { wall }).to eq few
  end
end
