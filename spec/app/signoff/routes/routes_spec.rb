# frozen_string_literal: true

# Routes of other shapes than the demo's: every named person, two of three, advisory steps, other rules for the time.
RSpec.describe "Routes of other shapes" do
  def workspace(steps, time_policy: "local_date")
    agency = db[:agencies].get(:id)
    people = {
      ines: "account lead",
      maro: "copywriter",
      wren: "reviewer",
      tobiah: "account lead",
      bram: "agency owner",
      odile: "client approver",
      per: "client approver",
      halima: "client approver"
    }
    members = people.map { |person, role| { person_id: world.person(person), role: role } }
    named = steps.map { |step| { hours: 8 }.merge(step).merge(people: step[:people].map { |one| world.person(one) }) }
    AskFirst::App::Clients::SetUp.call(
      world.environment,
      agency_id: agency,
      name: "Shape #{SecureRandom.hex(3)}",
      initials: "SH",
      edge: "#123456",
      zone: "Europe/Lisbon",
      week_start: 1,
      members: members,
      steps: named,
      by: world.person(:bram),
      time_policy: time_policy
    )
  end

  def as(who)
    AskFirst::App::Member.from_row(
      AskFirst::Store::People::Members.find(world.environment.db, world.person(who), @workspace, world.environment.now)
    )
  end

  def set_up(steps, **more)
    @workspace = workspace(steps, **more)
    account = world.world.control("ticker/accounts", { handle: "shape-#{@workspace[-8..]}", name: "Shape" })
    channel =
      world.act(
        "Channels::Connect",
        as(:bram),
        account: account["account"],
        micropub: account["micropub"],
        token: account["token"]
      )
    post = world.act("Posts::CreatePost", as(:maro), subject: "Shape")
    world.act("Posts::ChooseChannels", as(:ines), post_id: post, channel_ids: [channel])
    save(post, "text", "Words", 0)
    save(post, "time", { "wall" => "2026-10-15T07:30", "zone" => "Europe/Lisbon" }, 0, who: :ines)
    post
  end

  def save(post, part, value, version, who: :maro)
    world.act("Posts::UpdatePart", as(who), post_id: post, channel_id: nil, part: part, value: value, version: version)
  end

  def ask(post, position)
    step = db[:route_steps].where(workspace_id: @workspace, position: position).get(:id)
    world.act("Signoff::SendAsk", as(:tobiah), step_id: step, post_ids: [post])
  end

  def answer(post, who, verdict = "yes", words = "")
    world.act(
      "Signoff::AnswerAsk",
      as(who),
      line_id: world.line(post)[:id],
      verdict: verdict,
      words: words,
      shown: world.shown(post)
    )
  end

  it "`all` makes a place for each named person, and waits for each" do
    post = set_up([{ name: "Both", side: "client", quorum: "all", people: %i[odile per] }])
    ask(post, 0)
    expect(db[:ask_places].where(ask_id: world.line(post)[:ask_id]).select_map(:person_id)).to match_array [
                  world.person(:odile),
                  world.person(:per)
                ]
    answer(post, :odile)
    expect(world.stage(post)).to eq "client_approval"
    answer(post, :per)
    expect(world.stage(post)).to eq "cleared"
  end

  it "`n` makes open places, filled by any so many of them" do
    post = set_up([{ name: "Two of three", side: "client", quorum: "n", n: 2, people: %i[odile per halima] }])
    ask(post, 0)
    expect(db[:ask_places].where(ask_id: world.line(post)[:ask_id]).select_map(:person_id)).to eq [nil, nil]
    answer(post, :halima)
    expect(world.stage(post)).to eq "client_approval"
    answer(post, :odile)
    expect(world.stage(post)).to eq "cleared"
  end

  it "says how long the next step allows, from the route and not from habit" do
    post = set_up([{ name: "Client", side: "client", quorum: "any", people: %i[odile], hours: 5 }])
    ask = world.act("Posts::PostSheet", as(:tobiah), post_id: post)[:next_ask]
    expect(ask).to include(hours: 5.0, due_at: "2026-10-14T14:30:00Z")
  end

  it "an advisory step neither waits nor blocks" do
    steps = [
      { name: "A second look", side: "internal", quorum: "any", people: %i[ines], required: false },
      { name: "Client", side: "client", quorum: "any", people: %i[odile] }
    ]
    post = set_up(steps)
    ask(post, 1)
    answer(post, :odile)
    expect(world.stage(post)).to eq "cleared"
  end

  it "where the rule says always, any other time voids the yes; where it says never, none does" do
    { "always" => "drafting", "never" => "cleared" }.each do |policy, stage|
      post = set_up([{ name: "Client", side: "client", quorum: "any", people: %i[odile] }], time_policy: policy)
      ask(post, 0)
      answer(post, :odile)
      save(
        post,
        "time",
        { "wall" => policy == "always" ? "2026-10-15T09:00" : "2026-11-20T09:00", "zone" => "Europe/Lisbon" },
        1,
        who: :ines
      )
      expect([policy, world.stage(post)]).to eq [policy, stage]
    end
  end

  it "a step that was asked stays in the demand although the route was changed since" do
    post = set_up([{ name: "Client", side: "client", quorum: "any", people: %i[odile] }])
    ask(post, 0)
    world.owner[:routes].where(workspace_id: @workspace).update(is_default: false)
    expect(world.stage(post)).to eq "client_approval"
    answer(post, :odile)
    expect(world.stage(post)).to eq "cleared"
  end

  it "losing a person satisfies nothing" do
    post = set_up([{ name: "Both", side: "client", quorum: "all", people: %i[odile per] }])
    ask(post, 0)
    answer(post, :odile)
    db[:memberships].where(workspace_id: @workspace, person_id: world.person(:per)).update(ended_at: Time.now)
    expect(world.stage(post)).to eq "client_approval"
  end
end
