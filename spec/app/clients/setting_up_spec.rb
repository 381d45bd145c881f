# frozen_string_literal: true

RSpec.describe "Setting up a client" do
  it "makes the workspace at once with its maker as lead and the owner in it, and can be left at any step" do
    client = fresh_client("Tallow Lane Candles", zone: "America/Denver", week_start: 0)
    row = db[:workspaces].where(id: world.workspace(client)).first
    expect(row.slice(:name, :initials, :edge, :zone, :week_start, :setup_step)).to eq(
      name: "Tallow Lane Candles",
      initials: "Cl",
      edge: "#336655",
      zone: "America/Denver",
      week_start: 0,
      setup_step: "days"
    )
    members =
      AskFirst::Store::People::Members.of_workspace(
        world.member(:ines, client).scope(world.environment.db),
        world.environment.now
      )
    expect(members.to_h { |one| [one[:name], one[:role]] }).to eq(
      "Ines Calloway" => "account lead",
      "Bram Teodoro" => "agency owner"
    )
    expect(db[:record].where(workspace_id: row[:id]).select_map(:act)).to eq ["workspace_made"]
    expect(db[:agency_record].where(act: "client_made").order(:order_no).last[:facts]).to include(
      "name" => "Tallow Lane Candles"
    )

    world.act("Clients::GoOnSettingUp", :ines, client, step: "channel")
    desk = AskFirst::App::Agency::Desk.call(world.environment, agency_person(:ines).scope(world.environment.db))
    expect(desk[:set_ups]).to include(a_hash_including(workspace_id: row[:id], step: "channel"))
    world.act("Clients::GoOnSettingUp", :ines, client, step: nil)
    expect(db[:workspaces].where(id: row[:id]).get(:setup_step)).to be_nil
    expect { world.act("Clients::GoOnSettingUp", :ines, client, step: "lunch") }.to raise_error(AskFirst::Core::Invalid)
  end

  it "says what is wrong at its field" do
    {
      { name: "  " } => "name",
      { zone: "Lisbon" } => "zone",
      { edge: "red" } => "edge",
      { initials: "Quill" } => "initials",
      { week_start: 3 } => "week_start"
    }.each do |wrong, field|
      input = { name: "Client", initials: "Cl", edge: "#336655", zone: "Europe/Lisbon" }.merge(wrong)
      expect {
        AskFirst::App::Clients::CreateClient.call(world.environment, agency_person(:ines), **input)
      }.to raise_error(AskFirst::Core::Invalid) { |error| expect([wrong, error.field]).to eq [wrong, field] }
    end
  end

  it "is for those whose role has it" do
    expect { fresh_client(who: :maro) }.to raise_error(AskFirst::Core::Refused)
    expect { fresh_client(who: :odile) }.to raise_error(AskFirst::Core::Refused)
  end

  describe "copied from another client" do
    let(:source) { :quillmere }

    before do
      if db[:brand_parts].where(workspace_id: world.workspace, part: "voice").empty?
        world.act("Clients::UpdateBrandPart", :ines, part: "voice", value: "Slow and dry.", version: 0)
      end
      world.draft
    end

    def counts(client)
      %i[posts media memberships channels brand_parts].to_h do |table|
        [table, db[table].where(workspace_id: world.workspace(client)).count]
      end
    end

    it "takes what was chosen, never posts or channels, and people only when ticked" do
      client = fresh_client(copy_from: world.workspace, copy: %w[days route brand])
      expect(counts(client)).to eq(
        posts: 0,
        media: 0,
        memberships: 2,
        channels: 0,
        brand_parts: db[:brand_parts].where(workspace_id: world.workspace).count
      )
      steps = route_here(client)[:steps]
      expect(steps.map { |step| step.values_at(:name, :names) }).to eq [
           ["Read by a colleague", ["Ines Calloway"]],
           ["The client's yes", []]
         ]
      expect(db[:record].where(workspace_id: world.workspace(client), act: "set_up_copied").get(:facts)).to eq(
        "from" => "Quillmere Ferries",
        "what" => %w[days route brand]
      )
    end

    it "takes currency, tracking tags and reminders when chosen, and none of them otherwise" do
      model = fresh_client("Model House")
      world.act(
        "Clients::UpdateSettings",
        :ines,
        model,
        version: 1,
        currency: "CHF",
        tracking: {
          "source" => "{network}"
        }
      )
      world.act(
        "Checks::UpdateReminders",
        :ines,
        model,
        words: ["Is the pier named?", "Did you look at the tide table?"]
      )
      settings = ->(client) { db[:workspaces].where(id: world.workspace(client)).get(%i[currency tracking]) }
      copy = fresh_client("Copied House", copy_from: world.workspace(model), copy: %w[writing])
      expect(settings.call(copy)).to eq ["CHF", { "source" => "{network}" }]
      expect(world.act("Checks::ReminderList", :ines, copy)[:words]).to eq [
           "Is the pier named?",
           "Did you look at the tide table?"
         ]
      other = fresh_client("Other House", copy_from: world.workspace(model), copy: %w[days])
      expect(settings.call(other)).to eq ["EUR", {}]
      expect(world.act("Checks::ReminderList", :ines, other)[:words]).to eq []
    end

    it "with people, takes the staff and nobody of the client" do
      client = fresh_client(copy_from: world.workspace, copy: %w[route people])
      members =
        AskFirst::Store::People::Members.of_workspace(
          world.member(:ines, client).scope(world.environment.db),
          world.environment.now
        )
      expect(members.map { |one| one[:side] }.uniq).to eq ["agency"]
      expect(members.find { |one| one[:name] == "Wren Adeyo" }[:role]).to eq "reviewer"
      expect(counts(client)).to include(posts: 0, channels: 0)
      steps = route_here(client)[:steps]
      expect(steps.first[:names]).to match_array ["Wren Adeyo", "Ines Calloway"]
    end

    it "is only from a client that one governs" do
      expect { fresh_client(copy_from: AskFirst::Core::Uuid.v7(Time.now), copy: %w[route]) }.to raise_error(
        AskFirst::Core::NotFound
      )
      world.owner[:memberships].where(
        workspace_id: world.workspace(:brackwater),
        person_id: world.person(:ines)
      ).update(role_id: db[:roles].where(name: "reviewer").get(:id))
      expect { fresh_client(copy_from: world.workspace(:brackwater), copy: %w[route]) }.to raise_error(
        AskFirst::Core::Refused
      )
    ensure
      world.owner[:memberships].where(
        workspace_id: world.workspace(:brackwater),
        person_id: world.person(:ines)
      ).update(role_id: db[:roles].where(name: "account lead").get(:id))
    end
  end
end
