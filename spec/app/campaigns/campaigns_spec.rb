# frozen_string_literal: true

RSpec.describe "Campaigns" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def save(who: :ines, id: nil, version: 0, **plan)
    given = { "name" => "Winter timetable", **plan.transform_keys(&:to_s) }
    world.act("Campaigns::SaveCampaign", who, client, plan: given, campaign_id: id, version: version)
  end

  def see(id, who: :ines) = world.act("Campaigns::Overview", who, client, campaign_id: id)

  def post(wall: "2026-11-03T09:00", on: [ticker], name: "Winter timetable", labels: [])
    id = plain_post(client, on, wall: wall)
    world.act("Posts::SetCampaign", :ines, client, post_id: id, name: name)
    world.act("Posts::SetLabels", :ines, client, post_id: id, names: labels) if labels.any?
    id
  end

  it "are planned with a period, a goal, channels, people, money and a mix" do
    people = [world.person(:ines)]
    money = { "minor" => 50_000, "currency" => "EUR" }
    targets = [{ "label" => "Service", "percent" => 60 }, { "label" => "A voice", "percent" => 40 }]
    days = { first: "2026-10-19", last: "2026-11-15" }
    id = save(**days, goal: "Fewer calls", channel_ids: [ticker], person_ids: people, budget: money, targets: targets)
    found = see(id)
    expect(found).to include(name: "Winter timetable", version: 1, first: "2026-10-19", goal: "Fewer calls")
    expect(found[:channels].map { |one| one[:id] }).to eq [ticker]
    expect(found[:people].map { |one| one[:name] }).to eq ["Ines Calloway"]
    expect(found[:mix][:rows].map { |one| [one[:label][:name], one[:target]] }).to match_array [
                  ["A voice", 40],
                  ["Service", 60]
                ]
    expect(found[:budget]).to eq(minor: 50_000, currency: "EUR")
  end

  it "show their posts by stage, channel, week and label, and what they lack, in order" do
    id =
      save(
        first: "2026-10-19",
        last: "2026-11-15",
        channel_ids: [ticker],
        targets: [{ "label" => "Service", "percent" => 100 }]
      )
    post(labels: ["Service"])
    post(on: [ticker, vitrine], wall: "2026-11-30T09:00", labels: ["A voice"])
    found = see(id)
    expect(found[:stages]).to eq("drafting" => 2)
    expect(found[:by_channel].map { |one| [one[:id], one[:posts], one[:own]] }).to eq [
         [ticker, 2, true],
         [vitrine, 1, false]
       ]
    expect(found[:weeks].to_h { |week| [week[:number], week[:posts]] }).to eq(43 => 0, 44 => 0, 45 => 1, 46 => 0)
    service = found[:mix][:rows].find { |row| row[:label] }
    expect(service).to include(count: 1.0, share: 50.0, target: 100)
    expect(found[:missing].map { |gap| gap[:code] }).to eq %w[no_goal no_brief no_people outside elsewhere]
  end

  it "count money that is planned, agreed and out, where the channel can be paid" do
    save
    one = post
    boost = { part: "budget", value: { "minor" => 2_500, "currency" => "EUR" }, version: 0, channel_id: nil }
    world.act("Posts::UpdatePart", :ines, client, post_id: one, **boost)
    db[:channels].where(id: ticker).update(card: Sequel.lit("card || '{\"budget\": true}'"))
    id = db[:campaigns].where(workspace_id: world.workspace(client)).get(:id)
    sum = [{ minor: 2_500, currency: "EUR" }]
    expect(see(id)[:money]).to eq(planned: sum, agreed: [], spent: [])
    world.act("Posts::MarkReady", :ines, client, post_id: one)
    expect(see(id)[:money]).to eq(planned: sum, agreed: sum, spent: [])
  end

  it "of one name there is one, also when two make it at once" do
    done = 4.times.map { Thread.new { refusal { save } } }.map(&:value)
    expect([done.count(&:nil?), done.compact.map(&:code).uniq]).to eq [1, ["campaign_there"]]
  end

  it "changed by two at once, the second is told and nothing of the first is lost" do
    id = save
    save(id: id, version: 1, goal: "First")
    late = refusal { save(id: id, version: 1, goal: "Second") }
    expect([late.code, late.facts["version"], see(id)[:goal]]).to eq ["part_changed", 2, "First"]
    expect(see(id)[:version]).to eq 2
  end

  it "renamed, rename the tracking tags that are not fixed yet, and nothing that was approved changes" do
    id = save
    one = post
    save(id: id, version: 1, name: "Spring timetable")
    expect(see(id)[:name]).to eq "Spring timetable"
    expect(db[:posts].where(id: one).get(:stage)).to eq "drafting"
  end

  it "name what is there: no channel, person or label of somebody else" do
    other = fresh_client
    foreign = connected(other, "commons")
    expect(refusal { save(channel_ids: [foreign]) }).to have_attributes(code: "not_there", field: "channels")
    expect(refusal { save(person_ids: [world.person(:odile)]) }).to have_attributes(code: "not_there", field: "people")
    expect(refusal { save(targets: [{ "label" => "a", "percent" => 101 }]) }.code).to eq "bad_percent"
    expect(refusal { see(world.act("Campaigns::SaveCampaign", :ines, other, plan: { "name" => "Far" })) }).to be_a(
      AskFirst::Core::NotFound
    )
  end

  it "are listed, those that run or come first, with their posts by stage" do
    save(name: "Over", first: "2026-01-01", last: "2026-02-01")
    save(name: "Some time")
    save(first: "2026-10-19", last: "2026-11-15")
    post
    found = AskFirst::App::Campaigns::CampaignList.call(world.environment, scope_of(client))
    expect(found[:campaigns].map { |one| [one[:name], one[:stages]] }).to eq [
         ["Winter timetable", { "drafting" => 1 }],
         ["Some time", {}],
         ["Over", {}]
       ]
  end

  it "show a member of some channels what is on these" do
    id = save(channel_ids: [ticker, vitrine])
    post
    post(on: [vitrine])
    limited = limited_to(ticker)
    found = AskFirst::App::Campaigns::Overview.call(world.environment, limited, campaign_id: id)
    expect([found[:channels].size, found[:stages], found[:by_channel].map { |one| one[:id] }]).to eq [
         1,
         { "drafting" => 1 },
         [ticker]
       ]
    expect(
      refusal { AskFirst::App::Campaigns::SaveCampaign.call(world.environment, limited, plan: { "name" => "x" }) }
    ).to be_a(AskFirst::Core::Refused)
  end

  it "are read by the same statements for one post as for many" do
    id = save(first: "2026-10-19", last: "2026-11-15")
    post(labels: ["Service"])
    see(id)
    few = statements { see(id) }
    5.times { post(labels: ["Service"]) }
    expect(statements { see(id) }).to eq few
  end

  describe "the balance of a period" do
    it "stands against the mix that is wanted of the client, and says what to add" do
      %w[News News Voice].each { |name| post(labels: [name]) }
      labels = db[:labels].where(workspace_id: world.workspace(client)).select_hash(:name, :id)
      targets = [{ "label_id" => labels["News"], "percent" => 50 }, { "label_id" => labels["Voice"], "percent" => 50 }]
      world.act("Campaigns::WantMix", :ines, client, targets: targets)
      found = world.act("Campaigns::Balance", :ines, client, from: "2026-11-01", to: "2026-11-30")
      expect(found[:mix]).to include(total: 3, distance: 16.7, balanced: false, tolerance: 5)
      expect(found[:mix][:rows].to_h { |row| [row[:label][:name], row[:more]] }).to eq("News" => 0, "Voice" => 1)
      expect(found[:pace].first).to include(posts: 3, a_week: 0.7)
    end
  end
end
