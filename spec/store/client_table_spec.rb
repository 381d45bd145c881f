# frozen_string_literal: true

RSpec.describe AskFirst::Store::ClientTable, :database do
  let(:db) { world.owner }
  let(:tables) { described_class.in_order(db) }
  let(:known) { db.get(Sequel.function(:array_to_string, Sequel.function(:app_client_tables), ",")).split(",") }

  it "the purge of a client knows every table that the catalogue says belongs to one" do
    expect(known).to match_array tables
    expect(tables).to include("posts", "link_readings", "record")
  end

  it "a table goes after all that point at it" do
    pointing = db.fetch(<<~SQL).map { |row| row.values_at(:from, :to) }
      SELECT conrelid::regclass::text AS from, confrelid::regclass::text AS to FROM pg_constraint
      WHERE contype = 'f' AND conrelid <> confrelid
    SQL
    inside = pointing.select { |pair| (pair - tables).empty? }
    expect(inside).not_to be_empty
    expect(inside.reject { |from, to| known.index(from) < known.index(to) }).to eq []
  end

  it "every one of them stands behind the wall, for the web's role and for our own processes" do
    walls = db[:pg_policies].where(policyname: %w[web_scope jobs_all]).select_hash_groups(:tablename, :policyname)
    open = db[:pg_class].where(relname: tables, relrowsecurity: false).select_map(:relname)
    expect(tables.reject { |table| walls.fetch(table, []).sort == %w[jobs_all web_scope] }).to eq []
    expect(open).to eq []
  end

  it "a table that a migration makes is walled and known by one line" do
    db.transaction(rollback: :always) do
      db.run("CREATE TABLE made_lately (workspace_id uuid NOT NULL REFERENCES workspaces, id uuid PRIMARY KEY)")
      described_class.add(db, :made_lately)
      expect(db.get(Sequel.function(:app_client_tables)).to_s).to include "made_lately"
      expect(db[:pg_policies].where(tablename: "made_lately").count).to eq 2
    end
  end
end
