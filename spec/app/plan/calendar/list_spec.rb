# frozen_string_literal: true

RSpec.describe "The plan as a list" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:commons) { connected(client, "commons") }

  def rows(from = "2026-10-01", to = "2026-10-31", limits: nil, **more)
    AskFirst::App::Plan::List.call(world.environment, scope_of(client, limits: limits), from: from, to: to, **more)[
      :rows
    ]
  end

  def boost(post, minor, channel: nil)
    facts = { part: "budget", value: { "minor" => minor, "currency" => "EUR" }, version: 0 }
    world.act("Posts::UpdatePart", :ines, client, post_id: post, channel_id: channel, **facts)
  end

  it "has labels, campaign, owner and wording beside each time of a post" do
    post = plain_post(client, ticker, wall: "2026-10-21T09:00")
    world.act("Posts::SetLabels", :ines, client, post_id: post, names: %w[Town Places])
    world.act("Posts::SetCampaign", :ines, client, post_id: post, name: "Winter")
    expect(rows.first).to include(
      labels: %w[Places Town],
      campaign: "Winter",
      owner: {
        id: world.person(:ines),
        name: "Ines Calloway"
      },
      subject_version: 1,
      wall: "2026-10-21T09:00",
      zone: "Europe/Lisbon",
      money: []
    )
  end

  it "counts money once for each channel whose network can be paid, its own before the master's" do
    takes = ->(channel) { db[:channels].where(id: channel).get(:card)["budget"] }
    paid, free = [ticker, commons].partition { |channel| takes.call(channel) }
    post = plain_post(client, [ticker, commons], wall: "2026-10-21T09:00")
    boost(post, 4_000)
    expect(rows.first[:money]).to eq paid.any? ? [{ minor: 4_000 * paid.size, currency: "EUR" }] : []
    boost(post, 1_500, channel: paid.first)
    expect(rows.first[:money]).to eq [{ minor: (4_000 * (paid.size - 1)) + 1_500, currency: "EUR" }]
    expect(rows(limits: free).first[:money]).to eq [] if free.any?
  end

  it "keeps to its days by the clock of each time, and is narrowed as every view" do
    plain_post(client, ticker, wall: "2026-10-31T23:59")
    plain_post(client, ticker, wall: "2026-11-01T00:00")
    expect(rows.map { |row| row[:wall] }).to eq ["2026-10-31T23:59"]
    expect(rows(filter: AskFirst::Core::Plan::Filter.read("stages" => "out"))).to eq []
    expect(refusal { rows("2026-10-02", "2026-10-01") }.code).to eq "too_many_days"
  end

  it "is read by the same statements for one post as for twenty" do
    one = plain_post(client, ticker, wall: "2026-10-21T09:00")
    rows
    few = statements { rows }
    19.times { |n| plain_post(client, ticker, wall: format("2026-10-%02dT09:00", n + 1)) }
    expect([rows.size, statements { rows }]).to eq [20, few]
    expect(one).to be_a(String)
  end
end
