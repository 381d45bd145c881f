# frozen_string_literal: true

RSpec.describe "A year at a glance" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def year(name = "2027", limits: nil, **narrowed)
    filter = AskFirst::Core::Plan::Filter.read(narrowed.transform_keys(&:to_s))
    AskFirst::App::Plan::Year.call(world.environment, scope_of(client, limits: limits), year: name, filter: filter)
  end

  def days(**how) = year(**how)[:days].to_h { |day| [day[:date], day.values_at(:posts, :open, :trouble, :marks)] }

  def own_time(post, channel, wall)
    time = { "wall" => wall, "zone" => "Europe/Lisbon" }
    facts = { post_id: post, channel_id: channel, part: "time", value: time, version: 0 }
    world.act("Posts::UpdatePart", :ines, client, **facts)
  end

  it "counts each time at which something of a post goes out, on the day of its own clock" do
    plain_post(client, ticker, wall: "2027-03-04T23:30")
    two = plain_post(client, [ticker, vitrine], wall: "2027-03-05T09:00")
    expect(days).to eq("2027-03-04" => [1, 1, 0, 0], "2027-03-05" => [1, 1, 0, 0])
    own_time(two, vitrine, "2027-12-31T10:00")
    expect(days.keys).to eq %w[2027-03-04 2027-03-05 2027-12-31]
    expect(year("2028")[:days]).to eq []
  end

  it "counts a post that is on no channel yet at its own time" do
    plain_post(client, [], wall: "2027-01-01T00:10")
    expect(days).to eq("2027-01-01" => [1, 1, 0, 0])
  end

  it "tells what has every yes from what has not, and counts pencil marks beside them" do
    ready_post(client, ticker, wall: "2027-03-04T10:00")
    cell = { "day" => "2027-03-06", "channel_id" => vitrine }
    world.act("Plan::UpdateMarks", :ines, client, put: [cell])
    expect(days).to eq("2027-03-04" => [1, 0, 0, 0], "2027-03-06" => [0, 0, 0, 1])
  end

  it "shows a member of some channels what is on these, and is narrowed as every view" do
    plain_post(client, ticker, wall: "2027-03-04T10:00")
    plain_post(client, vitrine, wall: "2027-03-05T10:00")
    world.act("Plan::UpdateMarks", :ines, client, put: [{ "day" => "2027-03-06", "channel_id" => vitrine }])
    expect(days(limits: [ticker]).keys).to eq ["2027-03-04"]
    expect(days(channels: vitrine).keys).to eq %w[2027-03-05 2027-03-06]
    expect(days(stages: "cleared")).to eq({})
  end

  it "knows what is off, when the clocks are changed, and what else is then" do
    db[:workspaces].where(id: world.workspace(client)).update(holidays: "pt")
    world.act(
      "Plan::SaveKeyDate",
      :ines,
      client,
      kind: "work",
      name: "Boat fair",
      first: "2026-12-30",
      last: "2027-01-02"
    )
    found = year
    expect(found[:off]).to include(date: "2027-12-25", name: "Natal")
    expect(found[:clocks]).to eq %w[2027-03-28 2027-10-31]
    expect(found[:dates].map { |date| date.values_at(:kind, :first) }).to eq [%w[work 2026-12-30]]
    expect(refusal { year("20x7") }.code).to eq "bad_year"
  end

  # The same, counted line by line from the months.
  it "agrees with what the months show" do
    rng = Random.new(7)
    20.times do
      post = plain_post(client, [ticker, vitrine].sample(1 + rng.rand(2), random: rng), wall: a_wall(rng))
      on = db[:adaptations].where(post_id: post).select_map(:channel_id)
      own_time(post, on.first, a_wall(rng)) if rng.rand(3).zero?
    end
    expect(days.transform_values(&:first)).to eq lines_by_day
  end

  def a_wall(rng) = format("2027-%02d-%02dT%02d:00", 1 + rng.rand(12), 1 + rng.rand(28), rng.rand(24))

  def lines_by_day
    (1..12)
      .flat_map do |month|
        name = format("2027-%02d", month)
        lines = AskFirst::App::Plan::Period.month(world.environment, scope_of(client), month: name)[:lines]
        lines.map { |line| line[:wall][0, 10] }.select { |day| day.start_with?(name) }
      end
      .tally
  end
end
