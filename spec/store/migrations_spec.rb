# frozen_string_literal: true

# Migrations only go forward, and run on what is there. Each example makes the data of an older state by hand, as it
# lay there, and goes on from it.
RSpec.describe "Migrations on existing data", :database do
  let(:founded) { Time.utc(2026, 1, 5) }

  after { Que.connection = world.environment.db } # a migration points it at the database that it makes tables in

  def id = AskFirst::Core::Uuid.v7(Time.now)

  # A database as it was after one of the migrations, with one client and one person in it.
  def at(number)
    Sequel.extension :migration
    name = "migrating_#{Process.pid}_#{number}"
    Infrastructure.admin(Infrastructure.cluster) do |db|
      AskFirst::Store::Migrate.make(db, name, "migrating") # the roles are there; the password goes unused
    end
    db = AskFirst::Store::Database.connect(Infrastructure.cluster.url(name, "ask_first_owner"))
    to(db, number)
    found(db)
    yield db
  ensure
    db&.disconnect
    Infrastructure.admin(Infrastructure.cluster) { |admin| admin.run("DROP DATABASE IF EXISTS #{name} WITH (FORCE)") }
  end

  it "waits for a lock for a moment, lets others by, and tries again" do
    url = Infrastructure.cluster.url(world.name, "ask_first_owner")
    patience = AskFirst::Store::Migrate
    stub_const("#{patience}::LOCK_SECONDS", 1)
    let_by = []
    Sequel.connect(url, after_connect: patience.method(:impatient)) do |db|
      open = Thread.new { db_of(url) { |other| other.transaction { other[:labels].count && sleep(1.6) } } }
      sleep 0.3
      breath = ->(_) { let_by << db_of(url) { |other| other[:labels].count } }
      patience.run(db, sleep: breath) { db.transaction(rollback: :always) { db.run("LOCK TABLE labels") } }
      open.join
      expect(let_by.size).to be_between(1, 2)
      stub_const("#{patience}::TRIES", 1)
      db_of(url) do |other|
        other.transaction do
          other.run("LOCK TABLE labels")
          expect { patience.run(db, sleep: breath) { db.transaction { db.run("LOCK TABLE labels") } } }.to raise_error(
            Sequel::DatabaseLockTimeout
          )
        end
      end
    end
  end

  def db_of(url, &) = Sequel.connect(url, &)

  def to(db, number) = Sequel::Migrator.run(db, AskFirst::Store::Migrate::FOLDER, target: number)

  def found(db)
    agency =
      db[:agencies].insert(id: id, name: "Fernhollow Studio", zone: "Europe/Lisbon", created_at: founded) &&
        db[:agencies].get(:id)
    db[:people].insert(
      id: id,
      agency_id: agency,
      name: "Ines Calloway",
      email: "ines@fernhollow.example",
      zone: "Europe/Lisbon",
      created_at: founded
    )
    db[:workspaces].insert(
      id: id,
      agency_id: agency,
      name: "Quillmere Ferries",
      mark: "QF",
      edge: "#0A5A78",
      zone: "Europe/Lisbon",
      week_start: 1,
      created_at: founded
    )
    role =
      db[:roles].where(side: "agency").first ||
        {
          id:
            db[:roles]
              .returning(:id)
              .insert(
                id: id,
                agency_id: agency,
                name: "account lead",
                side: "agency",
                abilities: Sequel.pg_array(["see"], :text)
              )
              .first[
              :id
            ]
        }
    db[:memberships].insert(
      workspace_id: client(db),
      id: id,
      person_id: lead(db),
      side: "agency",
      role_id: role[:id],
      since: founded
    )
  end

  def client(db) = db[:workspaces].get(:id)
  def lead(db) = db[:people].get(:id)

  def post(db)
    one = id
    db[:posts].insert(workspace_id: client(db), id: one, subject: "Fog days", owner_id: lead(db), created_at: founded)
    one
  end

  it "a link that was its address alone is an address with what belongs to it" do
    at(11) do |db|
      one = post(db)
      db[:parts].insert(
        workspace_id: client(db),
        post_id: one,
        part: "link",
        value: AskFirst::Store::Database.jsonb("https://quillmere.example/lamp"),
        version: 3,
        written_by: lead(db),
        written_at: founded,
        authors: Sequel.pg_array([lead(db)], :uuid)
      )
      to(db, nil)
      row = db[:parts].where(post_id: one).first
      expect(row[:value]).to eq(
        "address" => "https://quillmere.example/lamp",
        "tags" => nil,
        "card" => nil,
        "bare" => "keep"
      )
      expect(row[:version]).to eq 3
    end
  end

  # A post on one channel, as it lay in the tables.
  def adaptation(db, one)
    card =
      AskFirst::Store::Database.jsonb(
        {
          "name" => "Ticker",
          "text" => {
            "rule" => "graphemes",
            "limit" => 300
          },
          "media" => {
            "most" => 4,
            "max_side" => 2048
          }
        }
      )
    channel = id
    number = db[:channels].count
    db[:channels].insert(
      workspace_id: client(db),
      id: channel,
      network: "Ticker",
      name: "Ticker #{number}",
      initials: "Ti",
      account: "https://ticker.example/@#{number}",
      card: card,
      state: "offline",
      position: number,
      created_at: founded
    )
    made = id
    db[:adaptations].insert(workspace_id: client(db), id: made, post_id: one, channel_id: channel, created_at: founded)
    [made, channel]
  end

  it "a send that may have arrived is known for one, and what was certain stays so" do
    at(13) do |db|
      one = post(db)
      states = { "planned" => false, "sending" => true, "unclear" => true, "out" => true }
      rows =
        states.map { |state, may| [state, "", state == "out" ? "https://ticker.example/1" : nil, may] } +
          [
            ["trouble", "The network refused it: 422", nil, false],
            ["trouble", "It may be out: look there.", nil, true],
            ["trouble", "It was changed there.", "https://ticker.example/1", true]
          ]
      ids =
        rows.map do |state, trouble, address, _|
          made, channel = adaptation(db, one)
          at = { "sending" => { lease_until: founded }, "unclear" => { next_look_at: founded } }.fetch(state, {})
          row = {
            workspace_id: client(db),
            id: id,
            post_id: one,
            adaptation_id: made,
            channel_id: channel,
            number: 1,
            state: state,
            trouble: trouble,
            address: address,
            sent_at: address && founded
          }
          db[:showings].insert(row.merge(at))
          row[:id]
        end
      to(db, nil)
      expect(ids.map { |showing| db[:showings].where(id: showing).get(:may_be_out) }).to eq rows.map(&:last)
    end
  end

  it "ready marks keep their order, and the same content can be marked again" do
    at(13) do |db|
      one = post(db)
      made, = adaptation(db, one)
      mark = ->(print, at) do
        id.tap do |row|
          db[:ready_marks].insert(
            workspace_id: client(db),
            id: row,
            post_id: one,
            adaptation_id: made,
            fingerprint: print * 64,
            marked_by: lead(db),
            marked_at: at
          )
        end
      end
      later = mark.call("b", founded + 60)
      earlier = mark.call("a", founded)
      to(db, nil)
      expect(db[:ready_marks].order(:order_no).select_map(:id)).to eq [earlier, later]
      mark.call("a", founded + 90)
      expect(db[:ready_marks].order(:order_no).select_map(:fingerprint).map { |print| print[0] }).to eq %w[a b a]
    end
  end

  it "whoever was locked out may try again: nothing of the locks is left" do
    at(14) do |db|
      db[:account_login_failures].insert(id: lead(db), number: 7)
      db[:account_lockouts].insert(id: lead(db), key: "k" * 20, deadline: founded)
      to(db, nil)
      expect(db.tables & %i[account_lockouts account_login_failures]).to be_empty
      expect(db[:sign_in_tries].count).to eq 0
    end
  end

  it "a card that was kept stays as it is, and is refused for nothing" do
    at(16) do |db|
      _, channel = adaptation(db, post(db))
      to(db, nil)
      row = db[:channels].where(id: channel).first
      expect(row[:card_refused]).to be_nil
      expect(card_of(row[:card])).to have_attributes(name: "Ticker", formats: %w[text picture pictures])
    end
  end

  it "a reminder that was made twice in one moment stands once, with what was ticked of either" do
    at(12) do |db|
      posts = [post(db), post(db)]
      twice =
        Array.new(2) do |n|
          id.tap do |one|
            db[:reminders].insert(
              workspace_id: client(db),
              id: one,
              words: "Is the pier named?",
              position: n,
              made_by: lead(db),
              made_at: founded + n
            )
          end
        end
      dropped = id
      db[:reminders].insert(
        workspace_id: client(db),
        id: dropped,
        words: "Is the pier named?",
        position: 0,
        made_by: lead(db),
        made_at: founded - 9,
        dropped_at: founded - 1
      )
      twice.zip(posts) do |reminder, one|
        db[:reminder_ticks].insert(
          workspace_id: client(db),
          post_id: one,
          reminder_id: reminder,
          ticked_by: lead(db),
          ticked_at: founded
        )
      end
      to(db, nil)
      expect(db[:reminders].where(dropped_at: nil).select_map(:id)).to eq [twice.first]
      expect(db[:reminder_ticks].where(reminder_id: twice.first).select_map(:post_id)).to match_array posts
      expect { db[:reminders].where(id: dropped).update(dropped_at: nil) }.to raise_error(
        Sequel::UniqueConstraintViolation
      )
    end
  end

  it "a job that waits is run under the name that it has now" do
    at(59) do |db|
      job = "AskFirst::Jobs::%s"
      %w[RestageAsked RestageChannel RenderAhead].each do |name|
        db[:que_jobs].insert(job_class: format(job, name), job_schema_version: 2)
      end
      to(db, nil)
      now = db[:que_jobs].order(:id).select_map(:job_class)
      expect(now).to eq([format(job, "RefreshAsked"), format(job, "RefreshChannel"), format(job, "RenderAhead")])
      expect(now.map { |name| Object.const_get(name) }).to all(be < AskFirst::Jobs::Base)
    end
  end
end
