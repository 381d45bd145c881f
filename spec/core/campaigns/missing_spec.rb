# frozen_string_literal: true

RSpec.describe AskFirst::Core::Campaigns::Missing do
  def facts(**more)
    described_class::Facts.new(
      days: Date.new(2026, 10, 19)..Date.new(2026, 11, 15),
      goal: true,
      brief: true,
      channels: [{ name: "River", state: "connected", archived: false }],
      channel_ids: ["ti"],
      people: 2,
      mix: true,
      budget: nil,
      planned: [],
      posts: [post],
      **more
    )
  end

  def post(day: "2026-10-20", stage: "cleared", channel_ids: ["ti"])
    { day: day, stage: stage, channel_ids: channel_ids }
  end

  def codes(**more) = described_class.of(facts(**more)).map(&:code)
  def sentences(**more) = described_class.of(facts(**more)).map(&:sentence)

  it "nothing is, where everything is seen to" do
    expect(codes).to eq []
  end

  it "is told in the order in which one sees to it" do
    bare = { days: nil, goal: false, brief: false, channels: [], channel_ids: [], people: 0, mix: false, posts: [] }
    expect(codes(**bare)).to eq %w[no_period no_goal no_brief no_channels no_people no_mix no_posts]
  end

  it "names channels that nothing can go out on" do
    channels = [
      { name: "River", state: "lapsed", archived: false },
      { name: "Harbour", state: "planned", archived: false },
      { name: "Old", state: "connected", archived: true },
      { name: "Leaflet", state: "offline", archived: false }
    ]
    expect(sentences(channels: channels)).to eq [
         "River has a connection that has lapsed.",
         "Harbour is not connected yet.",
         "Old is archived."
       ]
  end

  it "compares money in one currency, and never mixes two" do
    budget = { minor: 10_000, currency: "EUR" }
    over = [{ minor: 12_550, currency: "EUR" }, { minor: 1, currency: "USD" }]
    expect(sentences(budget: budget, planned: over)).to eq [
         "Its posts are planned with EUR 25.50 more than its budget.",
         "Money in USD is planned beside the budget."
       ]
    expect(codes(budget: budget, planned: [{ minor: 10_000, currency: "EUR" }])).to eq []
  end

  it "counts posts without a time, outside the period, open in the first week, and on other channels" do
    posts = [
      post(day: nil),
      post(day: "2026-11-16"),
      post(stage: "client_approval"),
      post(day: "2026-10-25", stage: "drafting"),
      post(day: "2026-10-26", stage: "drafting"),
      post(channel_ids: %w[ti vi])
    ]
    found = described_class.of(facts(posts: posts))
    expect(found.map { |gap| [gap.code, gap.posts] }).to eq [
         ["no_time", 1],
         ["outside", 1],
         ["first_open", 2],
         ["elsewhere", 1]
       ]
    expect(found.first.sentence).to eq "One post has no time yet."
  end
end
