# frozen_string_literal: true

RSpec.describe "Fixtures" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }
  let!(:vitrine) { connected(client, "vitrine") }

  def save(who: :ines, id: nil, version: 0, on: [ticker], **more)
    given = { word: "Market day", rule: "FREQ=WEEKLY;INTERVAL=2;BYDAY=TH", first: "2026-10-15", clock: "10:30", **more }
    world.act("Plan::SaveFixture", who, client, fixture: given, channel_ids: on, fixture_id: id, version: version)
  end

  def month(name = "2026-11", limits: nil, **narrowed)
    filter = AskFirst::Core::Plan::Filter.read(narrowed.transform_keys(&:to_s))
    AskFirst::App::Plan::Period.month(world.kit, scope_of(client, limits: limits), month: name, filter: filter)
  end

  def marks(...) = month(...)[:marks].map { |mark| mark.values_at(:day, :channel_id, :word) }
  def days(...) = marks(...).map(&:first)
  def skip(id, day, skipped: true) =
    world.act("Plan::SkipFixture", :ines, client, fixture_id: id, day: day, skipped: skipped)
  def write(id, day) = world.act("Plan::WriteFixture", :ines, client, fixture_id: id, day: day)

  it "put marks on their days, in every month that is looked at, until their end" do
    id = save(last: "2026-12-31")
    expect(days).to eq %w[2026-10-29 2026-11-12 2026-11-26]
    expect(days("2027-02")).to eq []
    found = month[:marks].first
    expect(found).to include(fixture_id: id, clock: "10:30", due: false)
    expect(month("2026-10")[:marks].find { |mark| mark[:day] == "2026-10-15" }[:due]).to be true
  end

  it "give way to a mark that stands there itself" do
    save
    world.act("Plan::Pencil", :ines, client, put: [{ "day" => "2026-11-12", "channel_id" => ticker, "word" => "mine" }])
    expect(marks).to include(["2026-11-12", ticker, "mine"])
    expect(days.tally["2026-11-12"]).to eq 1
  end

  it "are left out on a day, and put back" do
    id = save
    skip(id, "2026-11-12")
    skip(id, "2026-11-12")
    expect(days).to eq %w[2026-10-29 2026-11-26]
    skip(id, "2026-11-12", skipped: false)
    expect(days).to include("2026-11-12")
    expect(refusal { skip(id, "2026-11-13") }.code).to eq "not_its_day"
    expect(db[:record].where(workspace_id: world.workspace(client), act: "fixture_skipped").count).to eq 1
  end

  it "become posts with channels, hour, label and owner, once, also when two press at once" do
    label = AskFirst::Core::Uuid.v7(Time.now)
    by = { made_by: world.person(:ines), made_at: Time.now }
    db[:labels].insert(workspace_id: world.workspace(client), id: label, name: "Places", **by)
    id = save(on: [ticker, vitrine], label_id: label, owner_id: world.person(:bram))
    done = 3.times.map { Thread.new { refusal { write(id, "2026-11-12") } } }.map(&:value)
    expect([done.count(&:nil?), done.compact.map(&:code).uniq]).to eq [1, ["mark_gone"]]
    post = db[:posts].where(workspace_id: world.workspace(client)).first
    time = db[:parts].where(post_id: post[:id], part: "time").get(:value)
    on = db[:adaptations].where(post_id: post[:id]).select_map(:channel_id)
    expect([post[:subject], time["wall"], on]).to match [
            "Market day",
            /\A2026-11-12T10:30/,
            match_array([ticker, vitrine])
          ]
    expect(days.uniq).to eq %w[2026-10-29 2026-11-26]
    expect(refusal { skip(id, "2026-11-12", skipped: false) }).to be_nil
    expect(days).not_to include("2026-11-12")
  end

  describe "that make their drafts by themselves" do
    # of this client: the others have fixtures too
    def begun = AskFirst::App::Plan::BeginFixtures.call(world.jobs) & posts.map { |post| post[:id] }
    def posts = world.owner[:posts].where(workspace_id: world.workspace(client)).order(:id).all

    # it is 14 October; every other Thursday from the 15th on: the 15th and the 29th
    it "do so once on the day on which they should be begun, as whoever wrote them, for whom they are" do
      save(makes: true, days_before: 20, owner_id: world.person(:bram))
      save(word: "By hand", days_before: 20)
      made = begun
      expect(posts.map { |post| post.values_at(:id, :subject, :owner_id) }).to match_array(
        made.map { |id| [id, "Market day", world.person(:bram)] }
      )
      expect(made.size).to eq 2
      expect(begun).to eq []
      said = db[:record].where(post_id: made.first, act: "fixture_made").first
      expect([said[:person_id], said[:facts]]).to eq [world.person(:ines), { "word" => "Market day", "itself" => true }]
      expect(marks.select { |mark| mark.last == "Market day" }.map(&:first)).not_to include "2026-10-29"
    end

    it "twice at once make each once; skipped days and archived clients make none" do
      id = save(makes: true, days_before: 20)
      skip(id, "2026-10-15")
      threads = Array.new(2) { Thread.new { begun } }
      expect(threads.flat_map(&:value).size).to eq 1
      other = save(makes: true, word: "Other", days_before: 20)
      world.act("Clients::Archive", :bram, client, out: false)
      expect(begun).to eq []
      world.act("Clients::Archive", :bram, client, out: true)
      expect(begun.size).to eq 2
      expect(world.owner[:fixture_days].where(fixture_id: other).count).to eq 2
    end

    it "leave a mark that is due where their writer may not make posts any more" do
      save(makes: true, days_before: 20)
      membership = db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:ines))
      membership.update(ended_at: world.kit.now - 1)
      expect(begun).to eq []
      membership.update(ended_at: nil)
      expect(month("2026-10")[:marks].select { |mark| mark[:due] }.size).to be >= 1
    end
  end

  it "keep the owner who makes the post where the one it is for is gone" do
    id = save(owner_id: world.person(:bram))
    db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:bram)).update(
      ended_at: Time.now
    )
    post = write(id, "2026-11-12")
    expect(db[:posts].where(id: post).get(:owner_id)).to eq world.person(:ines)
  ensure
    db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:bram)).update(ended_at: nil)
  end

  it "end, and what was made of them stays" do
    id = save
    post = write(id, "2026-11-12")
    world.act("Plan::DropFixture", :ines, client, fixture_id: id)
    expect([days, db[:posts].where(id: post).count]).to eq [[], 1]
  end

  it "on a channel that was archived put no mark there" do
    save(on: [ticker, vitrine])
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: vitrine)
    expect(marks.map { |mark| mark[1] }.uniq).to eq [ticker]
  end

  it "changed by two at once, the second is told" do
    id = save
    save(id: id, version: 1, word: "Market")
    expect(refusal { save(id: id, version: 1, word: "Fair") }.code).to eq "part_changed"
    expect(marks.map(&:last).uniq).to eq ["Market"]
  end

  it "are made as whoever saved them last, and no further than they may" do
    world.clock.set(Time.utc(2026, 10, 14, 9))
    id = save(makes: false, who: :bram, days_before: 1)
    planner = world.insider("releaser", client: client) # plans times, and makes no posts
    world.act(
      "Plan::SaveFixture",
      planner,
      client,
      fixture: {
        word: "Market day",
        rule: "FREQ=WEEKLY;BYDAY=TH",
        first: "2026-10-15",
        clock: "10:30",
        days_before: 1,
        makes: true
      },
      channel_ids: [ticker],
      fixture_id: id,
      version: db[:fixtures].where(id: id).get(:version)
    )
    expect(db[:fixtures].where(id: id).get(:made_by)).to eq planner.person_id
    posts = -> { db[:posts].where(workspace_id: world.workspace(client)).count }
    expect { AskFirst::App::Plan::BeginFixtures.call(world.jobs) }.not_to change(&posts)
  end

  it "are seen by who sees their channel, and changed by who may change all of them" do
    id = save(on: [vitrine])
    both = save(on: [ticker, vitrine], word: "Both")
    limited = limited_to(ticker)
    expect(marks(limits: [ticker]).map(&:last).uniq).to eq ["Both"]
    gone = ->(fixture) { refusal { AskFirst::App::Plan::DropFixture.call(world.kit, limited, fixture_id: fixture) } }
    expect(gone.call(id)).to be_a(AskFirst::Core::NotFound)
    expect(gone.call(both)).to be_a(AskFirst::Core::Refused)
    expect(marks(labels: SecureRandom.uuid)).to eq []
    expect(marks(channels: vitrine).map { |mark| mark[1] }.uniq).to eq [vitrine]
  end

  it "name what is there, and have a day and a channel" do
    expect(refusal { save(on: []) }.code).to eq "no_channel"
    expect(refusal { save(label_id: SecureRandom.uuid) }).to have_attributes(code: "not_there", field: "label")
    expect(refusal { save(owner_id: world.person(:odile)) }).to have_attributes(code: "not_there", field: "owner")
    expect(refusal { save(rule: "FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30") }.code).to eq "rule_without_day"
    expect(refusal { save(last: "2026-10-14") }.code).to eq "ends_before"
    expect(refusal { save(word: " ") }.code).to eq "name_missing"
  end

  it "are said in words with their next days, and a rule before it is kept" do
    save
    found = world.act("Plan::FixturesHere", :ines, client)[:fixtures].first
    expect(found[:words]).to eq "every other Thursday"
    expect(found[:next].first(3)).to eq %w[2026-10-15 2026-10-29 2026-11-12]
    look = world.act("Plan::LookAtRule", :ines, client, rule: "FREQ=MONTHLY;BYMONTHDAY=31", first: "2026-10-01")
    expect(look).to eq(
      words: "on the 31st of each month",
      days: %w[2026-10-31 2026-12-31 2027-01-31 2027-03-31 2027-05-31 2027-07-31 2027-08-31 2027-10-31]
    )
  end

  describe "a year carried over" do
    def carry(how, dry: false) = world.act("Plan::CarryOver", :ines, client, year: "2027", how: how, dry: dry)

    it "keeps free the same weekday or date of the next, looked at before" do
      plain_post(client, ticker, wall: "2027-03-04T10:30")
      world.act(
        "Plan::Pencil",
        :ines,
        client,
        put: [{ "day" => "2027-05-01", "channel_id" => vitrine, "word" => "tip" }]
      )
      dry = carry("weekday", dry: true)
      expect(dry[:put].map { |mark| mark.values_at(:day, :word) }).to match_array [
                    ["2028-03-02", "Late boat"],
                    %w[2028-04-29 tip]
                  ]
      expect(days("2028-03")).to eq []
      expect(carry("date")[:put].map { |mark| mark[:day] }).to match_array %w[2028-03-04 2028-05-01]
      expect(days("2028-03")).to eq ["2028-03-04"]
      expect(carry("date")).to include(put: [], taken: 2)
    end

    it "takes channels along that its maker has switched off, and none that was archived" do
      plain_post(client, ticker, wall: "2027-03-04T10:30")
      plain_post(client, vitrine, wall: "2027-03-05T10:30")
      world.act("Channels::SwitchChannel", :ines, client, channel_id: ticker, off: true)
      world.act("Channels::ArchiveChannel", :ines, client, channel_id: vitrine)
      expect(carry("date", dry: true)[:put].map { |mark| mark[:channel_id] }).to eq [ticker]
      expect(carry("date")[:put].map { |mark| mark[:channel_id] }).to eq [ticker]
    end

    it "says which days the next year does not have" do
      plain_post(client, ticker, wall: "2028-02-29T10:30")
      found = world.act("Plan::CarryOver", :ines, client, year: "2028", how: "date", dry: true)
      expect(found).to eq(put: [], taken: 0, without: 1)
    end
  end
end
