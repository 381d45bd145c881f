# frozen_string_literal: true

RSpec.describe "A month of the plan" do
  def scope(who, *clients)
    rows = clients.map { |client| world.member(who, client) }
    AskFirst::Store::Scope.new(
      world.environment.db,
      workspace_ids: rows.map(&:workspace_id),
      person_id: world.person(who),
      side: "agency",
      limits: rows.select(&:limited_to).to_h { |row| [row.workspace_id, row.limited_to] }
    )
  end

  def month(who = :ines, *clients, of: "2026-12")
    AskFirst::App::Plan::Period.month(
      world.environment,
      scope(who, *(clients.empty? ? [:quillmere] : clients)),
      month: of
    )
  end

  def plan(post, wall, on: nil, client: :quillmere, zone: "Europe/Lisbon")
    world.write(post, "time", { "wall" => wall, "zone" => zone }, who: :ines, on: on, client: client)
  end

  def names(lines) = lines.map { |line| [line[:wall], line[:channels].map { |one| one["name"] }] }
  def mine(post, found = month) = found[:lines].select { |line| line[:post_id] == post }

  it "shows what goes out as lines: channels of one time together, in the client's zone and by its weeks" do
    post = world.draft(picture: false)
    plan(post, "2026-12-22T12:10")
    expect(names(mine(post))).to eq [["2026-12-22T12:10", %w[Ticker Vitrine]]]
    plan(post, "2026-12-22T23:30", on: :vitrine)
    expect(names(mine(post))).to eq [["2026-12-22T12:10", %w[Ticker]], ["2026-12-22T23:30", %w[Vitrine]]]
    expect(month[:weeks].map { |week| week[:number] }).to eq [49, 50, 51, 52, 53]
    db[:workspaces].where(id: world.workspace).update(week_start: 0)
    expect(month[:weeks].first[:days].first[:date]).to eq "2026-11-29"
  ensure
    db[:workspaces].where(id: world.workspace).update(week_start: 1)
  end

  it "finds a channel's own time in another month than the post's first" do
    post = world.draft(picture: false)
    plan(post, "2026-09-02T12:00")
    plan(post, "2026-12-03T12:00", on: :vitrine)
    expect(names(mine(post))).to eq [["2026-12-03T12:00", %w[Vitrine]]]
    expect(names(mine(post, month(of: "2026-09")))).to eq [["2026-09-02T12:00", %w[Ticker]]]
  end

  it "finds the channels that follow the master too, where one goes out in another month before them" do
    post = world.draft(picture: false)
    plan(post, "2026-12-10T12:00")
    plan(post, "2026-09-03T12:00", on: :vitrine)
    expect(names(mine(post))).to eq [["2026-12-10T12:00", %w[Ticker]]]
  end

  it "knows holidays, days that nobody works on, and when the clocks are changed" do
    db[:workspaces].where(id: world.workspace).update(holidays: "pt")
    days = month[:weeks].flat_map { |week| week[:days] }.to_h { |day| [day[:date], day] }
    expect(days["2026-12-25"]).to include(off: [{ name: "Natal", workspace_ids: [world.workspace] }], works: false)
    expect(days["2026-12-24"]).to include(off: [], works: true, clock: nil)
    october = month(of: "2026-10")[:weeks].flat_map { |week| week[:days] }
    expect(october.find { |day| day[:clock] }).to include(date: "2026-10-25", clock: "clocks back 1 h")
  end

  it "over several clients is in the reader's zone, and each line says its own" do
    world.world.db[:people].where(id: world.person(:ines)).update(zone: "America/Denver")
    post = world.draft(picture: false)
    plan(post, "2026-12-22T05:00")
    line = mine(post, month(:ines, :quillmere, :brackwater)).first
    expect(line[:wall]).to eq "2026-12-21T22:00"
    expect(line[:time]).to eq("wall" => "2026-12-22T05:00:00", "zone" => "Europe/Lisbon")
  ensure
    world.world.db[:people].where(id: world.person(:ines)).update(zone: "Europe/Lisbon")
  end

  it "keeps what has no time yet in the tray, counted" do
    before = month[:tray][:count]
    bare = world.act("Posts::CreatePost", :ines, subject: "Without a time")
    tray = month[:tray]
    expect(tray[:count]).to be > before
    expect(tray[:posts].map { |row| row[:id] }).to include bare
  end

  it "says what is past its time and not out" do
    post = world.draft(picture: false)
    plan(post, "2026-10-13T09:00")
    late = mine(post, month(of: "2026-10")).first
    expect(late).to include(late: true, stage: "drafting")
  end

  it "shows a member who is limited to a channel only what is there, and nobody another client" do
    post = world.draft(picture: false)
    plan(post, "2026-12-22T12:10")
    plan(post, "2026-12-23T12:10", on: :vitrine)
    limited = scope(:ines, :quillmere)
    only = { world.workspace => [world.channel(:vitrine)] }
    narrow =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: limited.workspace_ids,
        person_id: limited.person_id,
        side: "agency",
        limits: only
      )
    found = AskFirst::App::Plan::Period.month(world.environment, narrow, month: "2026-12")
    expect(names(mine(post, found))).to eq [["2026-12-23T12:10", %w[Vitrine]]]
    expect(mine(post, month(:ines, :brackwater))).to be_empty
  end

  describe "a week" do
    def week(day, **narrowed) =
      AskFirst::App::Plan::Period.week(world.environment, scope(:ines, :quillmere), day: day, **narrowed)

    it "is the one that has the day, by the client's weeks" do
      found = week("2026-12-24")
      expect(found[:weeks].map { |one| [one[:number], one[:days].first[:date], one[:days].last[:date]] }).to eq [
           [52, "2026-12-21", "2026-12-27"]
         ]
      expect(found[:weeks].first[:days].map { |day| day[:inside] }).to all be true
    end

    it "shows what goes out in it and nothing of the next" do
      post = world.draft(picture: false)
      plan(post, "2026-12-27T23:50")
      plan(post, "2026-12-28T00:10", on: :vitrine)
      expect(names(mine(post, week("2026-12-22")))).to eq [["2026-12-27T23:50", %w[Ticker]]]
    end

    it "needs a day" do
      expect(refusal { week("soon") }).to have_attributes(code: "bad_date", field: "day")
    end
  end

  describe "narrowed" do
    def narrowed(**given)
      filter = AskFirst::Core::Plan::Filter.read(given.transform_keys(&:to_s))
      AskFirst::App::Plan::Period.month(world.environment, scope(:ines, :quillmere), month: "2026-12", filter: filter)
    end

    def planned(wall = "2026-12-08T12:00", **more)
      world.draft(picture: false, **more).tap { |post| plan(post, wall) }
    end

    def ids(found) = found[:lines].map { |line| line[:post_id] }.uniq

    it "to a channel shows its lines alone, also of a post that is on several" do
      post = planned
      found = narrowed(channels: world.channel(:vitrine))
      expect(names(mine(post, found))).to eq [["2026-12-08T12:00", %w[Vitrine]]]
    end

    it "to stages, and to what waits for the client, for a colleague and for the reader" do
      drafting = planned
      asked = world.draft.tap { |post| plan(post, "2026-12-09T12:00") }
      world.ask(asked, 0, who: :tobiah)
      here = ->(**given) { ids(narrowed(**given)) & [drafting, asked] }
      expect(here.call(stages: "internal_review,cleared")).to eq [asked]
      expect(here.call(waits: "colleague")).to eq [asked]
      expect(here.call(waits: "client")).to eq []
      expect(here.call(waits: "me")).to eq [asked]
      asked_person = scope(:tobiah, :quillmere)
      filter = AskFirst::Core::Plan::Filter.read("waits" => "me")
      theirs = AskFirst::App::Plan::Period.month(world.environment, asked_person, month: "2026-12", filter: filter)
      expect(ids(theirs)).not_to include(asked)
    end

    it "to a label, a campaign, whose it is, and words; everything that is named must hold" do
      post = planned(text: "The quince lantern stays lit")
      other = planned
      world.act("Posts::SetLabels", :ines, post_id: post, names: ["Places"])
      label = db[:labels].where(workspace_id: world.workspace, name: "Places").get(:id)
      world.act("Posts::SetCampaign", :ines, post_id: post, name: "Lanterns")
      campaign = db[:campaigns].where(workspace_id: world.workspace, name: "Lanterns").get(:id)
      expect(ids(narrowed(labels: label))).to eq [post]
      expect(ids(narrowed(campaigns: campaign, labels: label))).to eq [post]
      expect(ids(narrowed(words: "QUINCE lan"))).to eq [post]
      expect(ids(narrowed(people: world.person(:ines)))).to include(post, other)
      expect(ids(narrowed(labels: label, people: world.person(:bram)))).to eq []
    end

    it "narrows the tray too" do
      bare = world.act("Posts::CreatePost", :ines, subject: "Nothing of a zebra")
      expect(narrowed(words: "zebra")[:tray]).to include(count: 1, posts: [hash_including(id: bare)])
      expect(narrowed(words: "zebra", stages: "cleared")[:tray]).to include(count: 0)
    end

    it "tells a member who is limited to a channel nothing of another: neither in the tray nor by a count" do
      bare = world.act("Posts::CreatePost", :ines, subject: "On two channels")
      both = [world.channel(:ticker), world.channel(:vitrine)]
      world.act("Posts::ChooseChannels", :ines, post_id: bare, channel_ids: both)
      limited =
        AskFirst::Store::Scope.new(
          world.environment.db,
          workspace_ids: [world.workspace],
          person_id: world.person(:ines),
          side: "agency",
          limits: {
            world.workspace => [world.channel(:vitrine)]
          }
        )
      tray = ->(channel) do
        filter = AskFirst::Core::Plan::Filter.read("channels" => world.channel(channel), "words" => "On two channels")
        AskFirst::App::Plan::Period.month(world.environment, limited, month: "2026-12", filter: filter)[:tray][:count]
      end
      expect([tray.call(:vitrine), tray.call(:ticker)]).to eq [1, 0]
    end

    it "leaves out channels that the reader has switched off, unless everything is asked for" do
      post = planned
      world.act("Channels::SwitchChannel", :ines, channel_id: world.channel(:vitrine), off: true)
      one = scope(:ines, :quillmere)
      hidden = AskFirst::App::Plan::Period.month(world.environment, one, month: "2026-12", everything: false)
      expect(names(mine(post, hidden))).to eq [["2026-12-08T12:00", %w[Ticker]]]
      shown = AskFirst::App::Plan::Period.month(world.environment, one, month: "2026-12", everything: true)
      expect(names(mine(post, shown))).to eq [["2026-12-08T12:00", %w[Ticker Vitrine]]]
      world.act("Channels::SwitchChannel", :ines, channel_id: world.channel(:vitrine), off: false)
    end

    it "to what there is not is told at its kind; a label that is gone narrows to nothing" do
      expect(refusal { narrowed(stages: "nearly") }).to have_attributes(code: "bad_filter", field: "stages")
      expect(refusal { narrowed(labels: "1") }).to have_attributes(code: "bad_filter", field: "labels")
      expect(narrowed(labels: SecureRandom.uuid)[:lines]).to eq []
    end

    it "offers what the reader sees to choose from" do
      narrow = scope(:ines, :quillmere)
      limited =
        AskFirst::Store::Scope.new(
          world.environment.db,
          workspace_ids: narrow.workspace_ids,
          person_id: narrow.person_id,
          side: "agency",
          limits: {
            world.workspace => [world.channel(:vitrine)]
          }
        )
      expect(AskFirst::App::Plan::Choices.call(limited)[:channels].map { |one| one[:name] }).to eq %w[Vitrine]
      all = AskFirst::App::Plan::Choices.call(narrow)
      expect(all[:channels].map { |one| one[:name] }).to eq %w[Ticker Vitrine]
      expect(all[:people].map { |one| one[:name] }).to include("Ines Calloway")
      expect(all[:people].map { |one| one[:name] }).not_to include("Odile Marchetti")
    end
  end

  it "is a month that a plan holds" do
    expect(refusal { month(of: "2026-13") }).to have_attributes(code: "bad_month", field: "month")
    expect(refusal { month(of: "next") }.code).to eq "bad_month"
    expect(refusal { month(of: "1999-12") }.code).to eq "time_out_of_reach"
  end

  it "takes as many statements for one post as for many" do
    plan(world.draft(picture: false), "2026-12-01T09:00")
    month
    before = statements { month }
    3.times { |n| plan(world.draft(picture: false), "2026-12-0#{n + 2}T09:00") }
    expect(statements { month }).to eq before
  end
end
