# frozen_string_literal: true

RSpec.describe "A post on another channel instead" do
  let(:ticker) { world.channel(:ticker) }
  let(:vitrine) { world.channel(:vitrine) }
  let(:noon) { { "wall" => "2026-12-08T12:00", "zone" => "Europe/Lisbon" } }
  let(:later) { { "wall" => "2026-12-09T12:00", "zone" => "Europe/Lisbon" } }

  def draft(**more) =
    world.draft(
      wall: "2026-12-08T12:00",
      channels: [:ticker],
      text: "Only once: #{SecureRandom.hex(8)}",
      picture: false,
      **more
    )

  def change(post, who: :ines, from: ticker, to: vitrine, seen: noon, time: noon) =
    world.act("Plan::ChangeChannel", who, post_id: post, from: from, to: to, seen: seen, time: time)
  def cost(post, who: :ines, from: ticker, to: vitrine, seen: noon, time: noon) =
    world.act("Plan::ChannelCost", who, post_id: post, from: from, to: to, seen: seen, time: time)
  def on(post) = db[:adaptations].where(post_id: post, removed_at: nil).select_map(:channel_id)
  def own(post, channel, part) = db[:parts].where(post_id: post, channel_id: channel, part: part).get(:value)
  def code(&block) = refusal(&block).code

  it "goes there with what it had of its own, at its time, and comes back as it was" do
    post = draft
    world.write(post, "text", "Short, for Ticker", on: :ticker)
    change(post)
    expect(on(post)).to eq [vitrine]
    expect([own(post, vitrine, "text"), own(post, vitrine, "time")]).to eq ["Short, for Ticker", nil]
    change(post, from: vitrine, to: ticker)
    expect([on(post), own(post, ticker, "text")]).to eq [[ticker], "Short, for Ticker"]
  end

  it "on another day has a time of its own there; the other channels stay" do
    post = draft(channels: %i[ticker vitrine])
    leaflet = { name: "Leaflet #{SecureRandom.hex(2)}", initials: "L", limit: 900, pictures: 1 }
    spare = world.act("Channels::AddOffline", :ines, **leaflet)
    change(post, to: spare, time: later)
    expect(on(post)).to match_array [vitrine, spare]
    expect(own(post, spare, "time")["wall"]).to start_with "2026-12-09T12:00"
    expect(
      db[:parts].where(post_id: post, channel_id: nil, part: "time").get(:value)["wall"]
    ).to start_with "2026-12-08"
    told = db[:record].where(post_id: post, act: "part_saved").order(:order_no).last[:facts]
    walls = told.values_at("before", "after").map { |time| time["wall"][0, 10] }
    expect([told["part"], *walls]).to eq %w[time 2026-12-08 2026-12-09]
  end

  it "says before what it does, writes nothing then, and does the same" do
    post = draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
    record = -> { db[:record].where(workspace_id: world.workspace).count }
    before = record.call
    found = cost(post, time: later)
    expect([record.call, on(post)]).to eq [before, [ticker]]
    expect(found[:costs]).to include(
      { channel: "Ticker", costs: ["Wren Adeyo’s yes stays behind."] },
      { channel: "Vitrine", costs: ["It starts there without a yes."] }
    )
    # a network that shows pictures says that there is none
    expect(found[:warnings].map { |one| one[:channel] }.uniq).to eq ["Vitrine"]
    expect(found).to include(refused: nil, off: nil, past: false)
  end

  it "is refused where it is locked, out, there already, another's, or moved meanwhile" do
    sealed = draft.tap { |post| world.clear(post) }
    expect(code { change(sealed) }).to eq "sealed"
    expect(cost(sealed)[:refused]).to match(/locked/)
    both = world.draft(wall: "2026-12-08T12:00")
    expect(code { change(both) }).to eq "there_already"
    post = draft
    expect(code { change(post, seen: later) }).to eq "moved_meanwhile"
    expect(refusal { change(post, to: world.channel(:ticker, :brackwater)) }).to be_a AskFirst::Core::Invalid
    expect(refusal { change(post, from: vitrine) }).to be_a AskFirst::Core::NotFound
    expect(refusal { change(post, who: :maro) }).to be_a AskFirst::Core::Refused
    expect(on(post)).to eq [ticker]
  end

  it "twice at once is done once; who is limited to channels changes none of the others" do
    post = draft
    2.times.map { Thread.new { change(post) } }.each(&:join)
    expect(on(post)).to eq [vitrine]
    member = limited_to(ticker, client: :quillmere)
    expect(refusal { change(draft, who: member) }.code).to eq "no_such_channel"
  end
end
