# frozen_string_literal: true

# A database constraint stands behind every rule that data could break, whatever the code does.
RSpec.describe "The database itself", :database do
  let(:owner) { world.owner }
  let(:web) { world.environment.db }

  def foreign_keys
    owner[<<~SQL].all
      SELECT c.conrelid::regclass::text AS table, c.confrelid::regclass::text AS target,
        (SELECT array_agg(a.attname::text ORDER BY k.n) FROM unnest(c.conkey) WITH ORDINALITY k(num, n) JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = k.num) AS columns
      FROM pg_constraint c WHERE c.contype = 'f' AND c.connamespace = 'public'::regnamespace
    SQL
  end

  def client_tables
    owner[
      "SELECT table_name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'workspace_id'"
    ].select_map(:table_name)
  end

  it "every reference inside a workspace carries the workspace" do
    loose =
      foreign_keys.select do |key|
        client_tables.include?(key[:table]) && client_tables.include?(key[:target]) &&
          !key[:columns].to_a.include?("workspace_id")
      end
    expect(loose).to eq []
  end

  it "the workspace leads the key of every client table" do
    keys = owner[<<~SQL].select_hash(:table, :first)
      SELECT c.conrelid::regclass::text AS table, (SELECT a.attname::text FROM pg_attribute a WHERE a.attrelid = c.conrelid AND a.attnum = c.conkey[1]) AS first
      FROM pg_constraint c WHERE c.contype = 'p' AND c.connamespace = 'public'::regnamespace
    SQL

    wrong = client_tables.select { |table| keys.key?(table) && keys[table] != "workspace_id" }
    expect(wrong).to eq []
  end

  it "a membership never changes its side" do
    client_role = owner[:roles].where(name: "client approver").get(:id)
    expect {
      owner[:memberships].where(person_id: world.person(:maro)).update(side: "client", role_id: client_role)
    }.to raise_error(Sequel::DatabaseError, /never changes its side/)
  end

  it "a role of the client's side cannot be lifted above its ceiling" do
    role = owner[:roles].where(name: "client approver")
    expect { role.update(abilities: Sequel.pg_array(%w[see_shared see], :text)) }.to raise_error(
      Sequel::CheckConstraintViolation
    )
  end

  it "a membership's role is of its side" do
    client_role = owner[:roles].where(name: "client observer").get(:id)
    expect { owner[:memberships].where(person_id: world.person(:maro)).update(role_id: client_role) }.to raise_error(
      Sequel::ForeignKeyConstraintViolation
    )
  end

  %i[answers revisions revision_adaptations renditions rulings attempts record].each do |table|
    it "rows of #{table} are never changed or removed, not even by the owner" do
      expect { owner[table].delete }.to raise_error(Sequel::DatabaseError, /never changed or removed/)
      expect { owner[table].update(workspace_id: nil) }.to raise_error(
        Sequel::DatabaseError,
        /never changed or removed/
      )
    end
  end

  it "a showing that is out has an address and a time; one in trouble says why" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    showing = owner[:showings].where(post_id: post)
    expect { showing.update(state: "out") }.to raise_error(Sequel::CheckConstraintViolation)
    expect { showing.update(state: "trouble") }.to raise_error(Sequel::CheckConstraintViolation)
    expect { showing.update(state: "sending") }.to raise_error(Sequel::CheckConstraintViolation)
  end

  it "a showing makes no move that is not in the table, and its try does not fall" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    showing = owner[:showings].where(post_id: post)
    expect { showing.update(state: "unclear", due_at: Time.now, over_at: Time.now) }.to raise_error(
      Sequel::CheckConstraintViolation,
      /does not move from planned to unclear/
    )
    showing.update(try_no: 3)
    expect { showing.update(try_no: 2) }.to raise_error(Sequel::CheckConstraintViolation, /does not fall/)
    expect(
      owner[:showing_moves].order(:from_state, :to_state).select_map(%i[from_state to_state])
    ).to eq AskFirst::Core::Dispatch::Moves.pairs
  end

  it "a showing has one live release" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    row = owner[:releases].where(post_id: post).first
    expect { owner[:releases].insert(row.merge(id: AskFirst::Core::Uuid.v7(Time.now))) }.to raise_error(
      Sequel::UniqueConstraintViolation
    )
  end

  it "a change without words is no answer" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    row = owner[:answers].where(post_id: post).first.except(:order_no)
    expect {
      owner[:answers].insert(row.merge(id: AskFirst::Core::Uuid.v7(Time.now), verdict: "change", words: ""))
    }.to raise_error(Sequel::CheckConstraintViolation)
  end

  it "the web role makes no tables and founds no agency" do
    expect { web.run("CREATE TABLE mine (id int)") }.to raise_error(Sequel::DatabaseError, /permission denied/)
    expect {
      web[:agencies].insert(
        id: AskFirst::Core::Uuid.v7(Time.now),
        name: "Other",
        zone: "Europe/Lisbon",
        created_at: Time.now
      )
    }.to raise_error(Sequel::DatabaseError, /permission denied/)
  end

  it "tells the database who acts in each transaction" do
    scope = world.member(:ines).scope(web)
    said = scope.transaction { web.get(Sequel.function(:current_setting, "ask_first.scope")) }
    expect(said).to eq "agency:#{world.person(:ines)}:#{world.workspace}:"
    # gone with the transaction
    expect(web.get(Sequel.function(:current_setting, "ask_first.scope", true)).to_s).to eq ""
  end

  it "a write needs exactly one workspace" do
    scope =
      AskFirst::Store::Scope.new(
        db,
        workspace_ids: [world.workspace, world.workspace(:brackwater)],
        person_id: nil,
        side: "agency"
      )
    expect { scope.insert(:posts, { id: 1 }) }.to raise_error(ArgumentError)
  end
end
