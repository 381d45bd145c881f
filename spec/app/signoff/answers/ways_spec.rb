# frozen_string_literal: true

# Routes with conditions and roles, other routes for a campaign or a post, and what a change of one does to what is
# asked.
RSpec.describe "The routes of a client" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client, "ticker") }
  let(:odile) { world.person(:odile) }

  before do
    role = db[:roles].where(name: "client approver").get(:id)
    world.owner[:memberships].insert(
      workspace_id: world.workspace(client),
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: odile,
      side: "client",
      role_id: role,
      since: Time.now
    )
  end

  def inside(name = "Read", **more) = step(name, "internal", [world.person(:bram)], **more)
  def yes(name = "The client's yes", **more) = step(name, "client", [odile], **more)

  def step(name, side, people, **more)
    {
      "name" => name,
      "side" => side,
      "quorum" => "any",
      "n" => nil,
      "hours" => 8,
      "required" => true,
      "four_eyes" => false,
      "people" => people
    }.merge(more.transform_keys(&:to_s))
  end

  def here = route_here(client)
  def routes = world.act("Signoff::RouteList", :ines, client)[:routes]
  def ids = here[:steps].to_h { |one| one.values_at(:name, :id) }
  def post(**more) = plain_post(client, ticker, **more)
  def waits(post) = world.post_state(post, client).adaptations.map { |one| one.verdict.waits_at&.name }
  def label(post, *names) = world.act("Posts::SetLabels", :ines, client, post_id: post, names: names)
  def label_id(name) = db[:labels].where(workspace_id: world.workspace(client), name: name).get(:id)
  def other(name, steps, **about) =
    world.act("Signoff::SaveRoute", :ines, client, steps: steps, about: { name: name, **about })[:id]

  def answer(post, who, **more) = world.answer(post, who, client: client, **more)
  def ask(post, name)
    world.act("Signoff::SendAsk", :ines, client, step_id: ids.fetch(name), post_ids: [post])
  end

  it "a step that demands the same is the same step: what was asked goes on, and its yes counts" do
    change_route(client, [inside, yes])
    one = post
    ask(one, "Read")
    answer(one, :bram)
    before = ids
    later = [inside("Read it twice", id: before["Read"], hours: 4), inside("Lead"), yes(id: before["The client's yes"])]
    change_route(client, later)
    expect(ids).to include("Read it twice" => before["Read"], "The client's yes" => before["The client's yes"])
    expect(waits(one)).to eq ["Lead"]
    expect(world.post_state(one, client).adaptations.first.verdict.steps.map(&:state)).to eq %w[yes not_asked not_asked]
  end

  it "a step that demands something else is another; what was asked of the first stays in the demand" do
    change_route(client, [inside])
    one = post
    ask(one, "Read")
    first = ids["Read"]
    change_route(client, [inside(id: first, four_eyes: true)])
    expect(ids["Read"]).not_to eq first
    expect(world.post_state(one, client).steps.map(&:id)).to match_array [first, ids["Read"]]
    answer(one, :bram)
    expect(waits(one)).to eq ["Read"]
  end

  it "says before what becomes of each ask, and lets a step go on record where that is wanted" do
    change_route(client, [inside, yes])
    one = post
    ask(one, "Read")
    kept = ids["The client's yes"]
    look = ->(steps) { world.act("Signoff::LookAtRoute", :ines, client, route_id: here[:id], steps: steps) }
    expect(look.call([inside(id: ids["Read"]), yes(id: kept)])).to match [
            hash_including(name: "Read", stays: true, posts: 1)
          ]
    gone = ids["Read"]
    expect(look.call([yes(id: kept)])).to match [
            hash_including(step_id: gone, stays: false, waiting: ["Bram Teodoro"], posts: 1, answered: 0)
          ]
    expect(refusal { change_route(client, [yes(id: kept)], let_go: [gone]) }).to be_a AskFirst::Core::Refused
    change_route(client, [yes(id: kept)], who: :bram, let_go: [gone])
    expect(world.post_state(one, client).steps.map(&:id)).to eq [kept]
    expect(world.line(one)).to include(ended_as: "withdrawn")
    expect(world.acts(one)).to include "step_dropped"
  end

  it "a step is wanted for a label, also for one below it and one that was merged into it" do
    one = post
    label(one, "Prices")
    change_route(client, [yes, inside("Legal", condition: { "labels" => [label_id("Prices")] })])
    expect(world.post_state(one, client).steps.map(&:name)).to eq ["The client's yes", "Legal"]
    label(one, "Sale")
    expect(world.post_state(one, client).steps.map(&:name)).to eq ["The client's yes"]
    below = { label_id: label_id("Sale"), name: "Sale", initials: "", colour: "grey", parent_id: label_id("Prices") }
    world.act(
      "Campaigns::UpdateLabel",
      :ines,
      client,
      **below,
      colour: db[:labels].where(id: label_id("Sale")).get(:colour)
    )
    expect(world.post_state(one, client).steps.map(&:name)).to eq ["The client's yes", "Legal"]
    expect(db[:posts].where(id: one).get(:strip).size).to eq 2
  end

  it "a step is wanted of one channel and not of the other, and the post clears when each has its own" do
    guildhall = connected(client, "guildhall")
    change_route(client, [inside("Copy"), inside("Lead", condition: { "channels" => [guildhall] })])
    one = plain_post(client, [ticker, guildhall])
    ask(one, "Copy")
    answer(one, :bram)
    expect(waits(one)).to match_array [nil, "Lead"]
    ask(one, "Lead")
    answer(one, :bram)
    expect(world.post_state(one, client).adaptations.map(&:stage).uniq).to eq ["cleared"]
    # asked of the other one, it is still not wanted of this
    steps =
      world.post_state(one, client).adaptations.to_h { |each| [each.row[:channel_id], each.facts.steps.map(&:name)] }
    expect(steps).to eq(ticker => ["Copy"], guildhall => %w[Copy Lead])
  end

  it "a step that was asked stays, although its label was taken off since" do
    one = post
    label(one, "Prices")
    change_route(client, [inside("Legal", condition: { "labels" => [label_id("Prices")] })])
    ask(one, "Legal")
    label(one)
    expect(world.post_state(one, client).steps.map(&:name)).to eq ["Legal"]
    expect(world.stage(one)).to eq "internal_review"
  end

  it "asks whoever has the role that a step names, today" do
    role = db[:roles].where(name: "client approver").get(:id)
    change_route(client, [step("The client's yes", "client", [], roles: [role])])
    expect(here[:steps].first).to include(roles: [role], people: [], names: ["Odile Marchetti"])
    one = post
    world.act("Signoff::SendAsk", :ines, client, step_id: ids["The client's yes"], post_ids: [one])
    expect(db[:ask_people].where(ask_id: world.line(one)[:ask_id]).select_map(:person_id)).to eq [odile]
    world.owner[:memberships].where(workspace_id: world.workspace(client), person_id: odile).update(ended_at: Time.now)
    expect(refusal { ask(post, "The client's yes") }.message).to include "Nobody is named"
  end

  it "proposes a label for a text that names a time or a price" do
    label(post(text: "First"), "Times")
    change_route(client, [yes(condition: { "labels" => [label_id("Times")], "proposes" => "times_or_prices" })])
    one = post(text: "The last boat leaves at 23:30.")
    proposed = -> { world.act("Posts::PostSheet", :ines, client, post_id: one, blocks: ["around"])[:proposed_labels] }
    expect(proposed.call).to eq ["Times"]
    label(one, "Times")
    expect(proposed.call).to eq []
  end

  it "a post passes another route, with a reason on record; a campaign's posts its own" do
    change_route(client, [inside, yes])
    quick = other("In a hurry", [yes("Quick yes")])
    one = post
    choose = { post_id: one, route_id: quick }
    expect(refusal { world.act("Signoff::ChooseRoute", :ines, client, **choose, reason: "") }.code).to eq "words_needed"
    world.act("Signoff::ChooseRoute", :ines, client, **choose, reason: "Storm warning")
    expect(waits(one)).to eq ["Quick yes"]
    expect(db[:record].where(post_id: one, act: "route_chosen").get(:facts)).to include("reason" => "Storm warning")
    expect(world.act("Posts::PostSheet", :ines, client, post_id: one)[:route]).to include(
      name: "In a hurry",
      by: "post"
    )

    two = post
    world.act("Posts::SetCampaign", :ines, client, post_id: two, name: "Winter")
    campaign = db[:campaigns].where(workspace_id: world.workspace(client)).get(:id)
    world.act("Signoff::ChooseCampaignRoute", :ines, client, campaign_id: campaign, route_id: quick, reason: "Agreed")
    expect(waits(two)).to eq ["Quick yes"]
    world.act("Posts::SetCampaign", :ines, client, post_id: two, name: "")
    expect(waits(two)).to eq ["Read"]
    expect(routes.find { |row| row[:id] == quick }).to include(posts: 1, campaigns: 1, default: false)
  end

  it "a route that is taken off the list is passed by those that have it, and not offered; the usual one stays" do
    quick = other("In a hurry", [yes("Quick yes")])
    one = post
    world.act("Signoff::ChooseRoute", :ines, client, post_id: one, route_id: quick, reason: "Storm warning")
    world.act("Signoff::ArchiveRoute", :ines, client, route_id: quick)
    expect(waits(one)).to eq ["Quick yes"]
    expect(routes.map { |row| row[:name] }).to eq ["Our route"]
    expect(refusal { world.act("Signoff::ArchiveRoute", :ines, client, route_id: here[:id]) }.code).to eq "is_default"
    expect(refusal { other("our ROUTE", []) }.code).to eq "name_taken"
  end

  it "plays a real post through a route that is being written, in words, and writes nothing" do
    label(post, "Prices")
    legal = inside("Legal", condition: { "labels" => [label_id("Prices")] })
    one = post
    played = ->(steps, **more) { world.act("Signoff::PlayRoute", :ines, client, post_id: one, steps: steps, **more) }
    ways = played.call([inside, legal, yes(quorum: "all")], releases_itself: true)
    expect(ways.size).to eq 1
    expect(ways.first[:after]).to eq "Then it releases itself for its time."
    expect(ways.first[:steps].map { |each| each[:words] }).to eq [
         "Bram Teodoro is asked, by Thu 15 October, 9:30.",
         "Is not asked: it is not labelled Prices.",
         "Odile Marchetti is asked, by Thu 15 October, 17:30."
       ]
    expect(played.call([yes(people: [])]).first[:steps].first[:words]).to include "Nobody is named"
    expect(played.call([]).first[:after]).to include "marks it ready"
    expect(here[:steps]).to eq []
  end

  describe "that releases by itself" do
    before { change_route(client, [inside], about: { releases_itself: true }) }

    def run_jobs
      db[:que_jobs]
        .where(job_class: "AskFirst::Jobs::ReleaseCleared", finished_at: nil)
        .all
        .each do |job|
          args = job[:args].to_a
          process = AskFirst::App::Member.process(args[0], "dispatcher")
          AskFirst::App::Dispatch::ReleaseCleared.call(world.jobs, process, post_ids: args[1])
        end
    end

    it "hands on what has all its yeses, for its time, by nobody's hand" do
      one = post(wall: "2026-10-20T09:00")
      ask(one, "Read")
      answer(one, :bram)
      2.times { run_jobs }
      expect(world.stage(one)).to eq "released"
      expect(db[:releases].where(post_id: one).select_map(:released_by)).to eq [nil]
    end

    it "leaves what somebody opened and locked again as it was, until there is a new yes" do
      one = post(wall: "2026-10-20T09:00")
      ask(one, "Read")
      answer(one, :bram)
      run_jobs
      world.clock.set(SpecWorld::NOON + 60)
      ids = db[:adaptations].where(post_id: one).select_map(:id)
      world.act("Posts::OpenPost", :ines, client, post_id: one, adaptation_ids: ids)
      world.act("Posts::ClosePost", :ines, client, post_id: one, adaptation_ids: ids)
      expect(world.stage(one)).to eq "cleared"
      run_jobs
      expect(world.stage(one)).to eq "cleared"
      world.clock.set(SpecWorld::NOON + 120)
      answer(one, :bram)
      run_jobs
      expect(world.stage(one)).to eq "released"
    end

    it "leaves what somebody took back, and what cannot be released" do
      one = post(wall: "2026-10-20T09:00")
      ask(one, "Read")
      answer(one, :bram)
      run_jobs
      world.act("Dispatch::TakeBack", :ines, client, post_id: one)
      run_jobs
      expect(world.stage(one)).to eq "cleared"
      late = post(wall: "2026-10-14T11:00")
      ask(late, "Read")
      world.clock.set(Time.utc(2026, 10, 14, 12))
      answer(late, :bram)
      run_jobs
      expect(world.stage(late)).to eq "cleared"
    end
  end

  it "that locks the time: what all have said yes to is moved only after it is unlocked" do
    change_route(client, [inside], about: { locks_time: true })
    one = post(wall: "2026-10-20T09:00")
    ask(one, "Read")
    write = ->(wall, version) do
      time = { "wall" => wall, "zone" => "Europe/Lisbon" }
      world.act(
        "Posts::UpdatePart",
        :ines,
        client,
        post_id: one,
        channel_id: nil,
        part: "time",
        value: time,
        version: version
      )
    end
    write.call("2026-10-20T10:00", 1)
    answer(one, :bram)
    expect(refusal { write.call("2026-10-20T11:00", 2) }.code).to eq "sealed"
    world.act(
      "Posts::OpenPost",
      :ines,
      client,
      post_id: one,
      adaptation_ids: world.post_state(one, client).adaptations.map(&:id)
    )
    write.call("2026-10-20T11:00", 2)
  end
end
