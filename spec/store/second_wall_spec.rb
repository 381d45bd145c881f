# frozen_string_literal: true

# The database's own wall behind the application's: what the web role sees and may write, by the scope that its
# transaction was told and nothing else. Every query here has forgotten its scope.
RSpec.describe "The second wall", :database do
  let(:web) { world.environment.db }
  let(:here) { world.workspace }
  let(:there) { world.workspace(:brackwater) }
  let(:scope) { AskFirst::Store::Scope.new(web, workspace_ids: here, person_id: world.person(:ines), side: "agency") }
  let(:tables) do
    world.owner[Sequel[:information_schema][:columns]]
      .where(table_schema: "public", column_name: "workspace_id")
      .select_order_map(:table_name)
      .map(&:to_sym)
  end

  before { %i[quillmere brackwater].each { |client| world.ask(world.draft(client: client), 0, client: client) } }

  it "stands around every table of a workspace, for the web's role, which owns nothing and bypasses nothing" do
    open = tables.reject { |table| world.owner[:pg_class].where(relname: table.to_s).get(:relrowsecurity) }
    expect(open).to be_empty
    role = world.owner[:pg_roles].where(rolname: "ask_first_web").first
    expect(role.values_at(:rolsuper, :rolbypassrls, :rolcreaterole)).to eq [false, false, false]
    expect(world.owner[:pg_tables].where(schemaname: "public", tableowner: "ask_first_web").count).to eq 0
    expect(web.get(Sequel.lit("current_user"))).to eq "ask_first_web"
  end

  it "a query that forgets its scope gets nothing of another workspace, from any table" do
    leaks = scope.transaction { tables.reject { |table| web[table].exclude(workspace_id: here).empty? } }
    expect(leaks).to be_empty
    full = tables.select { |table| world.owner[table].where(workspace_id: there).any? }
    expect(full).to include(:posts, :parts, :media, :asks, :record, :memberships, :channels, :connections)
    expect(scope.transaction { web[:posts].select_map(:workspace_id).uniq }).to eq [here]
  end

  it "without a transaction that says for whom, nothing comes at all" do
    expect(tables.reject { |table| web[table].empty? }).to be_empty
    expect(web[:workspaces].count).to eq 0
  end

  it "what one transaction was told does not last into the next, on the same connection" do
    web.synchronize do
      scope.transaction { expect(web[:posts].count).to be > 0 }
      expect(web[:posts].count).to eq 0
      web.transaction { expect(web[:posts].count).to eq 0 }
    end
  end

  it "a scope inside another takes over and gives back, also when it fails" do
    other = AskFirst::Store::Scope.new(web, workspace_ids: there, person_id: world.person(:ines), side: "agency")
    scope.transaction do
      other.transaction { expect(web[:posts].select_map(:workspace_id).uniq).to eq [there] }
      expect(web[:posts].select_map(:workspace_id).uniq).to eq [here]
      begin
        other.transaction { raise AskFirst::Core::NotFound, "This" }
      rescue AskFirst::Core::NotFound
        nil
      end
      expect(web[:posts].select_map(:workspace_id).uniq).to eq [here]
    end
  end

  it "nothing is written into another workspace, changed there or moved there" do
    row = { workspace_id: there, id: AskFirst::Core::Uuid.v7(Time.now), name: "smuggled" }
    expect { scope.transaction { web[:channel_sets].insert(row) } }.to raise_error(
      Sequel::DatabaseError,
      /row-level security/
    )
    expect(scope.transaction { web[:posts].where(workspace_id: there).update(subject: "taken") }).to eq 0
    mine =
      world.act(
        "Channels::AddOffline",
        :ines,
        name: "Kept #{SecureRandom.hex(2)}",
        initials: "K",
        limit: 10,
        pictures: 1
      )
    expect { scope.transaction { web[:channels].where(id: mine).update(workspace_id: there) } }.to raise_error(
      Sequel::DatabaseError,
      /row-level security/
    )
  ensure
    world.owner[:channels].where(id: mine).delete if mine
  end

  it "somebody who has only said who they are sees their own memberships and no more" do
    person = AskFirst::Store::Scope.of_person(web, world.person(:odile))
    person.transaction do
      expect(web[:memberships].select_map(:person_id).uniq).to eq [world.person(:odile)]
      mine = world.owner[:memberships].where(person_id: world.person(:odile), ended_at: nil).select_map(:workspace_id)
      expect(web[:workspaces].select_map(:id)).to match_array mine
      expect(web[:posts].count + web[:channels].count + web[:record].count).to eq 0
    end
  end

  it "a link's secret finds its one row and nothing beside it" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    pass =
      world.act(
        "Signoff::CreatePass",
        AskFirst::App::Member.process(here, "dispatcher"),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    row = world.owner[:guest_passes].where(ask_id: world.line(post)[:ask_id]).first
    AskFirst::Store::Scope
      .of_secret(web, row[:digest])
      .transaction do
        expect(web[:guest_passes].select_map(:id)).to eq [row[:id]]
        expect(web[:asks].count + web[:posts].count + web[:memberships].count).to eq 0
      end
    AskFirst::Store::Scope
      .of_secret(web, Digest::SHA256.digest("invented"))
      .transaction { expect(web[:guest_passes].count).to eq 0 }
    expect(pass).not_to include row[:digest].unpack1("H*")
  end

  it "finding by words keeps to the same wall, though it looks as the owner" do
    world.draft(client: :brackwater)
    find = -> { web.from(Sequel.function(:app_find_posts, "%fog%", 1_000)).select_map(:workspace_id) }
    expect(scope.transaction(&find).uniq).to eq [here]
    expect(find.call).to be_empty
  end

  it "the web's role cannot purge, read tokens of sign-in, or change what is never changed" do
    expect {
      scope.transaction do
        web.get(
          Sequel.function(
            :app_purge_client,
            Sequel.cast(there, :uuid),
            Time.now,
            Sequel.cast(there, :uuid),
            Sequel.cast(Sequel.blob("x"), :bytea)
          )
        )
      end
    }.to raise_error(Sequel::DatabaseError, /permission denied/)
    expect { scope.transaction { web[:record].delete } }.to raise_error(Sequel::DatabaseError)
    expect {
      scope.transaction do
        web.run("SET LOCAL row_security = off")
        web[:posts].where(workspace_id: there).all
      end
    }.to raise_error(Sequel::DatabaseError)
    expect { web.run("ALTER TABLE posts DISABLE ROW LEVEL SECURITY") }.to raise_error(
      Sequel::DatabaseError,
      /must be owner/
    )
  end
end
