# frozen_string_literal: true

# Migrations only go forward, and run on what is there. Each example makes the data of an older state by hand, as it lay there,
# and goes on from it.
RSpec.describe "Migrations on existing data", :database do
  let(:founded) { Time.utc(2026, 1, 5) }

  after { Que.connection = world.kit.db } # a migration points it at the database that it makes tables in

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

  def to(db, number) = Sequel::Migrator.run(db, AskFirst::Store::Migrate::FOLDER, target: number)

  def found(db)
    agency = db[:agencies].insert(id: id, name: "Fernhollow Studio", zone: "Europe/Lisbon", created_at: founded) && db[:agencies].get(:id)
    db[:people].insert(id: id, agency_id: agency, name: "Ines Calloway", email: "ines@fernhollow.example", zone: "Europe/Lisbon", created_at: founded)
    db[:workspaces].insert(id: id, agency_id: agency, name: "Quillmere Ferries", mark: "QF", edge: "#0A5A78", zone: "Europe/Lisbon", week_start: 1, created_at: founded)
    role = db[:roles].where(side: "agency").first || { id: db[:roles].returning(:id).insert(id: id, agency_id: agency, name: "account lead", side: "agency", abilities: Sequel.pg_array(["see"], :text)).first[:id] }
    db[:memberships].insert(workspace_id: client(db), id: id, person_id: lead(db), side: "agency", role_id: role[:id], since: founded)
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
      db[:parts].insert(workspace_id: client(db), post_id: one, part: "link", value: AskFirst::Store::Database.jsonb("https://quillmere.example/lamp"), version: 3,
        written_by: lead(db), written_at: founded, authors: Sequel.pg_array([lead(db)], :uuid))
      to(db, nil)
      row = db[:parts].where(post_id: one).first
      expect(row[:value]).to eq("address" => "https://quillmere.example/lamp", "tags" => nil, "card" => nil, "bare" => "keep")
      expect(row[:version]).to eq 3
    end
  end

  it "a reminder that was made twice in one moment stands once, with what was ticked of either" do
    at(12) do |db|
      posts = [post(db), post(db)]
      twice = Array.new(2) { |n| id.tap { |one| db[:reminders].insert(workspace_id: client(db), id: one, words: "Is the pier named?", position: n, made_by: lead(db), made_at: founded + n) } }
      dropped = id
      db[:reminders].insert(workspace_id: client(db), id: dropped, words: "Is the pier named?", position: 0, made_by: lead(db), made_at: founded - 9, dropped_at: founded - 1)
      twice.zip(posts) { |reminder, one| db[:reminder_ticks].insert(workspace_id: client(db), post_id: one, reminder_id: reminder, ticked_by: lead(db), ticked_at: founded) }
      to(db, nil)
      expect(db[:reminders].where(dropped_at: nil).select_map(:id)).to eq [twice.first]
      expect(db[:reminder_ticks].where(reminder_id: twice.first).select_map(:post_id)).to match_array posts
      expect { db[:reminders].where(id: dropped).update(dropped_at: nil) }.to raise_error(Sequel::UniqueConstraintViolation)
    end
  end
end
