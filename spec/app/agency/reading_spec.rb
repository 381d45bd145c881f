# frozen_string_literal: true

RSpec.describe "Lists and records" do
  def scope(*clients)
    AskFirst::Store::Scope.new(
      db,
      workspace_ids: clients.map { |client| world.workspace(client) },
      person_id: world.person(:ines),
      side: "agency"
    )
  end

  it "posts come in pages, newest first, without a gap or a double" do
    ids =
      Array.new(5) do |n|
        world.clock.set(SpecWorld::NOON + 100 + n)
        world.act("Posts::CreatePost", :ines, :brackwater, subject: "Page #{n}")
      end
    first = AskFirst::App::Posts::ListPosts.call(scope(:brackwater), limit: 3)
    second = AskFirst::App::Posts::ListPosts.call(scope(:brackwater), limit: 3, before: first[:next])
    listed = (first[:posts] + second[:posts]).map { |post| post[:id] }
    expect(listed.first(5)).to eq ids.reverse
    expect(listed.uniq.size).to eq listed.size
  end

  it "posts can be listed by stage, with their channels and stamps" do
    post = world.draft
    world.ask(post, 0)
    row =
      AskFirst::App::Posts::ListPosts.call(scope(:quillmere), stage: "internal_review", limit: 200)[
        :posts
      ].find { |one| one[:id] == post }
    expect(row[:channels].map { |channel| channel[:name] }).to eq %w[Ticker Vitrine]
    expect(row[:strip].map { |stamp| stamp["state"] }).to eq %w[asked not_asked]
    expect(row[:strip].first["who"]).to eq ["Wren Adeyo"]
  end

  it "lists of one client hold nothing of another" do
    world.act("Posts::CreatePost", :ines, :brackwater, subject: "Theirs")
    world.act("Posts::CreatePost", :ines, subject: "Ours")
    rows = AskFirst::App::Posts::ListPosts.call(scope(:quillmere), limit: 200)[:posts]
    expect(rows.map { |row| row[:workspace_id] }.uniq).to eq [world.workspace]
  end

  it "the record comes in pages, in order, with who, when and on which revision" do
    post = world.draft
    world.clear(post)
    stub_const("AskFirst::App::Record::PostRecord::PAGE", 4)
    pages = []
    after = nil
    loop do
      page = world.act("Record::PostRecord", :ines, post_id: post, after: after)
      pages << page[:rows]
      break unless (after = page[:next])
    end
    rows = pages.flatten
    expect(rows.map { |row| row[:act] }).to eq world.acts(post)
    expect(rows.find { |row| row[:act] == "answered" }).to include(who: "Wren Adeyo", revision: 1, from: "127.0.0.1")
  end

  it "tells who is signed in what they may do in each client, and for what not, who can" do
    me = AskFirst::App::Agency::Me.call(world.environment, world.person(:sunniva))
    expect(me[:workspaces].map { |one| one[:name] }).to include("Brackwater Observatory", "Quillmere Ferries")
    can = world.act("Posts::PostSheet", :sunniva, post_id: world.draft)[:can]
    expect(can["write:media"]).to eq(ok: true)
    expect(can["write:text"]).to include(ok: false, why: a_string_including("cannot change copy", "Maro Lindqvist"))
    expect(can["release"][:why]).to include "Ines Calloway"
  end

  it "says what another time would cost, for each channel that it would move" do
    post = world.draft
    world.clear(post)
    world.write(post, "time", { "wall" => "2026-10-15T09:00", "zone" => "Europe/Lisbon" }, who: :ines, on: :ticker)
    cost =
      world.act(
        "Plan::MoveCost",
        :ines,
        post_id: post,
        channel_ids: nil,
        time: {
          "wall" => "2026-10-16T07:30",
          "zone" => "Europe/Lisbon"
        }
      )
    expect(cost[:costs].map { |one| one[:channel] }).to eq ["Vitrine"] # Ticker has its own time
    past =
      world.act(
        "Plan::MoveCost",
        :ines,
        post_id: post,
        channel_ids: nil,
        time: {
          "wall" => "2026-10-01T07:30",
          "zone" => "Europe/Lisbon"
        }
      )
    expect(past[:past]).to be true
  end

  it "a person whose membership ended is no member any more, at once" do
    row = { workspace_id: world.workspace(:brackwater), person_id: world.person(:dulcie) }
    db[:memberships].where(row).update(ended_at: Time.now)
    expect(
      AskFirst::Store::People::Members.find(
        world.environment.db,
        row[:person_id],
        row[:workspace_id],
        world.environment.now
      )
    ).to be_nil
  ensure
    db[:memberships].where(row).update(ended_at: nil)
  end

  it "refuses a second person with the same address, in capitals too" do
    agency = db[:agencies].get(:id)
    add = -> do
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: agency,
        name: "Twin",
        email: "INES@fernhollow.example",
        zone: "Europe/Lisbon"
      )
    end
    expect(&add).to raise_error(AskFirst::Core::Conflict, /known already/)
  end

  describe "a route without a step" do
    let(:workspace) do
      agency = db[:agencies].get(:id)
      members = [
        { person_id: world.person(:ines), role: "account lead" },
        { person_id: world.person(:bram), role: "agency owner" }
      ]
      AskFirst::App::Clients::SetUp.call(
        world.environment,
        agency_id: agency,
        name: "Stepless",
        initials: "SL",
        edge: "#123456",
        zone: "Europe/Berlin",
        week_start: 1,
        members: members,
        steps: [],
        by: world.person(:bram)
      )
    end
    let(:ines) do
      AskFirst::App::Member.from_row(
        AskFirst::Store::People::Members.find(
          world.environment.db,
          world.person(:ines),
          workspace,
          world.environment.now
        )
      )
    end
    let(:bram) do
      AskFirst::App::Member.from_row(
        AskFirst::Store::People::Members.find(
          world.environment.db,
          world.person(:bram),
          workspace,
          world.environment.now
        )
      )
    end

    it "is drafting until somebody marks exactly this content ready" do
      account = world.world.control("ticker/accounts", { handle: "stepless", name: "Stepless" })
      channel =
        world.act(
          "Channels::Connect",
          bram,
          account: account["account"],
          micropub: account["micropub"],
          token: account["token"]
        )
      post = world.act("Posts::CreatePost", ines, subject: "Plain")
      world.act("Posts::ChooseChannels", ines, post_id: post, channel_ids: [channel])
      world.act(
        "Posts::UpdatePart",
        ines,
        post_id: post,
        channel_id: nil,
        part: "text",
        value: "Plain words",
        version: 0
      )
      expect(world.stage(post)).to eq "drafting"
      world.act("Posts::MarkReady", ines, post_id: post)
      expect(world.stage(post)).to eq "cleared"
      world.act(
        "Posts::UpdatePart",
        ines,
        post_id: post,
        channel_id: nil,
        part: "text",
        value: "Other words",
        version: 1
      )
      expect(world.stage(post)).to eq "drafting"
    end
  end

  it "a post with steps cannot be marked ready" do
    post = world.draft
    expect { world.act("Posts::MarkReady", :ines, post_id: post) }.to raise_error(
      AskFirst::Core::Conflict,
      /has steps to pass/
    )
  end
end
