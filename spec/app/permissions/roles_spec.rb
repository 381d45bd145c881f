# frozen_string_literal: true

RSpec.describe "Roles" do
  let(:people) { AskFirst::App::Permissions }

  def call(name, who = :bram, **input) =
    AskFirst::App.const_get("Permissions::#{name}").call(world.environment, agency_person(who), **input)
  def role(name) = db[:roles].where(name: name).first
  def make(name, abilities = %w[see work], **more) =
    call("CreateRole", name: name, side: "agency", abilities: abilities, **more)

  def change(row, who = :bram, **more)
    call(
      "UpdateRole",
      who,
      role_id: row[:id],
      version: row[:version],
      name: row[:name],
      abilities: row[:abilities].to_a,
      **more
    )
  end

  it "ship as ten presets, each with its side, and count who has them" do
    shown = call("Roles")[:roles]
    presets = shown.select { |one| one[:preset] }
    expect(presets.map { |one| one[:name] }).to match_array [
                  "agency owner",
                  "account lead",
                  "copywriter",
                  "designer",
                  "video editor",
                  "assistant",
                  "reviewer",
                  "releaser",
                  "client approver",
                  "client observer"
                ]
    expect(presets.find { |one| one[:name] == "client approver" }).to include(
      side: "client",
      abilities: a_collection_including("answer_client")
    )
    expect(presets.find { |one| one[:name] == "copywriter" }[:held]).to be >= 1
    expect(presets.map { |one| one[:abilities] }).to eq(presets.map { |one| one[:shipped] })
  end

  it "of one's own take any abilities of their side, and work at once" do
    name = "night desk #{SecureRandom.hex(2)}"
    id = make(name, %w[see write_timing release hold work])
    client = fresh_client
    world.owner[:memberships].insert(
      workspace_id: world.workspace(client),
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: world.person(:dulcie),
      side: "agency",
      role_id: id,
      since: world.environment.now
    )
    dulcie = world.member(:dulcie, client)
    expect(AskFirst::Core::Permissions::Decision.for(dulcie, "release")).to be_allowed
    expect(AskFirst::Core::Permissions::Decision.for(dulcie, "ask")).not_to be_allowed
    change(role(name), abilities: %w[see])
    expect(AskFirst::Core::Permissions::Decision.for(world.member(:dulcie, client), "release")).not_to be_allowed
    expect(db[:agency_record].where(act: "role_changed").order(:order_no).last[:facts]["after"]).to eq(
      "name" => name,
      "abilities" => %w[see]
    )
  end

  it "the client side is never given more than its ceiling, in the act as in the database" do
    expect { call("CreateRole", name: "too much", side: "client", abilities: %w[see_shared release]) }.to raise_error(
      AskFirst::Core::Invalid
    ) { |error|
      expect([error.code, error.field, error.facts["abilities"]]).to eq ["beyond_side", "abilities", ["release"]]
    }
    expect {
      db[:roles].where(name: "client observer").update(abilities: Sequel.pg_array(%w[see_shared release], :text))
    }.to raise_error(Sequel::CheckConstraintViolation)
  end

  it "refuse a missing name, a name that is there, an invented ability" do
    expect { make(" ") }.to raise_error(AskFirst::Core::Invalid) { |error| expect(error.field).to eq "name" }
    expect { make("Copywriter") }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.code).to eq "name_taken"
    }
    expect { make("flyer", %w[see fly]) }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.field).to eq "abilities"
    }
  end

  it "two owners at once: the second sees what changed and by whom" do
    name = "desk #{SecureRandom.hex(2)}"
    make(name)
    shown = role(name)
    change(shown, abilities: %w[see work write_copy])
    expect { change(shown, abilities: %w[see release]) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.code).to eq "role_changed"
      expect(error.facts).to include(
        "theirs" => {
          "name" => name,
          "abilities" => %w[see work write_copy]
        },
        "version" => 2
      )
      expect(error.message).to start_with "Bram Teodoro"
    }
    expect(role(name)[:abilities].to_a).to eq %w[see work write_copy]
  end

  it "a change that would leave a client without a lead is refused, naming the client, and by the database too" do
    client = fresh_client("Lead House")
    name = "lead of one's own #{SecureRandom.hex(2)}"
    own = make(name, role("account lead")[:abilities].to_a)
    here = world.owner[:memberships].where(workspace_id: world.workspace(client))
    here.where(person_id: world.person(:ines)).update(role_id: own)
    here.where(person_id: world.person(:bram)).update(role_id: role("assistant")[:id])
    expect { change(role(name), abilities: %w[see work]) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect([error.code, error.message]).to match ["no_lead_left", /Lead House/]
    }
    expect { world.owner[:roles].where(id: own).update(abilities: Sequel.pg_array(%w[see], :text)) }.to raise_error(
      Sequel::DatabaseError,
      /without a lead/
    )
  end

  it "are dropped while nobody has or had them, and those that ship stay" do
    name = "unused #{SecureRandom.hex(2)}"
    call("RemoveRole", role_id: make(name))
    expect(role(name)).to be_nil
    expect { call("RemoveRole", role_id: role("copywriter")[:id]) }.to raise_error(AskFirst::Core::Refused) { |error|
      expect(error.code).to eq "is_preset"
    }
    used = make("used #{SecureRandom.hex(2)}")
    client = fresh_client
    world.owner[:memberships].insert(
      workspace_id: world.workspace(client),
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: world.person(:maro),
      side: "agency",
      role_id: used,
      since: world.environment.now
    )
    expect { call("RemoveRole", role_id: used) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.code).to eq "role_in_use"
    }
  end

  it "are the owner's, and a lead is told whom to ask" do
    expect { call("Roles", :ines) }.to raise_error(AskFirst::Core::Refused)
    expect { make("x").then { change(role("copywriter"), :ines) } }.to raise_error(AskFirst::Core::Refused)
  ensure
    db[:roles].where(name: "x").delete
  end
end
