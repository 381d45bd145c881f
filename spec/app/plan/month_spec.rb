# frozen_string_literal: true

RSpec.describe "A month of the plan" do
  def scope(who, *clients)
    rows = clients.map { |client| world.member(who, client) }
    AskFirst::Store::Scope.new(
      world.kit.db,
      workspace_ids: rows.map(&:workspace_id),
      person_id: world.person(who),
      side: "agency",
      limits: rows.select(&:limited_to).to_h { |row| [row.workspace_id, row.limited_to] }
    )
  end

  def month(who = :ines, *clients, of: "2026-12")
    AskFirst::App::Plan::Month.call(world.kit, scope(who, *(clients.empty? ? [:quillmere] : clients)), month: of)
  end

  def plan(post, wall, on: nil, client: :quillmere, zone: "Europe/Lisbon")
    world.write(post, "time", { "wall" => wall, "zone" => zone }, who: :ines, on: on, client: client)
  end

  def names(lines) = lines.map { |line| [line[:wall], line[:channels].map { |one| one[:name] }] }
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
    bare = world.act("Posts::MakePost", :ines, subject: "Without a time")
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
        world.kit.db,
        workspace_ids: limited.workspace_ids,
        person_id: limited.person_id,
        side: "agency",
        limits: only
      )
    found = AskFirst::App::Plan::Month.call(world.kit, narrow, month: "2026-12")
    expect(names(mine(post, found))).to eq [["2026-12-23T12:10", %w[Vitrine]]]
    expect(mine(post, month(:ines, :brackwater))).to be_empty
  end

  it "is a month that a plan holds" do
    expect(refusal { month(of: "2026-13") }).to have_attributes(code: "bad_month", field: "month")
    expect(refusal { month(of: "next") }.code).to eq "bad_month"
    expect(refusal { month(of: "1999-12") }.code).to eq "time_out_of_reach"
  end

  it "takes as many statements for one post as for many" do
    count = -> do
      log = StringIO.new
      world.kit.db.loggers << Logger.new(log)
      month
      log.string.scan(/SELECT|EXECUTE/).size
    ensure
      world.kit.db.loggers.clear
    end
    plan(world.draft(picture: false), "2026-12-01T09:00")
    month
    before = count.call
    3.times { |n| plan(world.draft(picture: false), "2026-12-0#{n + 2}T09:00") }
    expect(count.call).to eq before
  end
end
