# frozen_string_literal: true

RSpec.describe "A client's settings" do
  let(:client) { fresh_client }

  def settings = world.act("Clients::Settings", :ines, client)
  def change(who = :ines, version: 1, **values) =
    world.act("Clients::UpdateSettings", who, client, version: version, **values)

  it "change what is given and keep the rest" do
    expect(change(name: "Tarn & Tallow", holidays: "pt")).to eq 2
    expect(settings).to include(name: "Tarn & Tallow", holidays: "pt", zone: "Europe/Lisbon", version: 2)
    expect(settings[:days_off]).to include(
      { date: "2026-12-01", name: "Restauração da Independência" },
      { date: "2026-12-08", name: "Imaculada Conceição" }
    )
    expect(
      db[:record].where(workspace_id: world.workspace(client), act: "settings_changed").get(:facts)["before"]
    ).to include("holidays" => "")
  end

  it "two at once: the second sees what the first changed, and nothing is overwritten" do
    change(name: "The first")
    expect { change(:bram, name: "The second") }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect([error.code, error.facts["theirs"]["name"], error.facts["version"]]).to eq [
           "settings_changed",
           "The first",
           2
         ]
    }
    expect(settings[:name]).to eq "The first"
  end

  it "refuse a wrong zone, an unknown calendar and hours that overlap, each at its field" do
    expect { change(zone: "Mars/Base") }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.field).to eq "zone"
    }
    expect { change(holidays: "atlantis") }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.field).to eq "holidays"
    }
    expect { change(working_hours: { "1" => [%w[09:00 13:00], %w[12:00 18:00]] }) }.to raise_error(
      AskFirst::Core::Invalid
    ) { |error| expect(error.field).to eq "working_hours" }
    expect(settings[:version]).to eq 1
  end

  it "give the deadline of an ask its working time" do
    channel = connected(client)
    one_step_route(client, :ines)
    change(holidays: "pt", working_hours: (1..5).to_h { |day| [day.to_s, [%w[09:00 18:00]]] })
    post = plain_post(client, channel, wall: "2026-11-20T07:30")
    # Wednesday 10:20 in Lisbon; nine working hours end on Thursday at 10:20, due at the next quarter
    world.act("Signoff::SendAsk", :ines, client, step_id: world.step(0, client), post_ids: [post])
    expect(db[:asks].where(workspace_id: world.workspace(client)).get(:due_at)).to eq Time.utc(2026, 10, 15, 9, 30)
  end

  it "are for leads; others read them" do
    expect { world.act("Clients::UpdateSettings", :maro, :quillmere, version: 1, name: "x") }.to raise_error(
      AskFirst::Core::Refused,
      /change settings|settings/i
    )
    expect(world.act("Clients::Settings", :maro, :quillmere)[:can]["change_settings"]).to include(
      ok: false,
      why: a_string_including("Ines Calloway")
    )
    expect { world.act("Clients::Settings", :odile, :quillmere) }.to raise_error(AskFirst::Core::Refused)
  end

  describe "who publishes by hand" do
    it "is one person who can do it everywhere in this client, told by name in the record, or each post's owner" do
      expect(settings).to include(publisher_id: nil, publishers: include(hash_including(name: "Ines Calloway")))
      change(publisher_id: world.person(:ines))
      expect(settings[:publisher_id]).to eq world.person(:ines)
      facts = db[:record].where(workspace_id: world.workspace(client), act: "settings_changed").get(:facts)
      expect(facts["after"]).to eq "publisher_id" => "Ines Calloway"
      expect { change(version: 2, publisher_id: world.person(:odile)) }.to raise_error(
        AskFirst::Core::Invalid
      ) { |error| expect([error.code, error.field]).to eq %w[cannot_publish publisher_id] }
      expect(change(version: 2, publisher_id: nil)).to eq 3
    end

    it "is nobody any more once they left or may not" do
      helper = world.person(:maro)
      membership = AskFirst::Core::Uuid.v7(Time.now)
      world.owner[:memberships].insert(
        id: membership,
        workspace_id: world.workspace(client),
        person_id: helper,
        role_id: db[:roles].where(name: "account lead").get(:id),
        side: "agency",
        since: world.environment.now
      )
      change(publisher_id: helper)
      world.act("People::EndMember", :ines, client, membership_id: membership)
      expect(settings[:publisher_id]).to be_nil
    end
  end

  describe "the logo" do
    it "is cut square and kept small, and goes back to initials" do
      world.act("Clients::UpdateLogo", :ines, client, io: SpecWorld.picture)
      file = world.act("Clients::OpenFile::Mark", :maro.then { :ines }, client)
      expect(Vips::Image.new_from_file(file[:path]).then { |image| [image.width, image.height] }).to eq [256, 256]
      world.act("Clients::UpdateLogo", :ines, client, io: nil)
      expect { world.act("Clients::OpenFile::Mark", :ines, client) }.to raise_error(AskFirst::Core::NotFound)
    end

    it "must be a picture, and none of 200 megapixels" do
      expect {
        world.act("Clients::UpdateLogo", :ines, client, io: StringIO.new("<svg onload=alert(1)>"))
      }.to raise_error(AskFirst::Core::Invalid) { |error| expect(error.code).to eq "not_a_picture" }
      # a small file that says it is 20,000 x 10,000: refused by its header, before a pixel is read
      huge = Vips::Image.black(20_000, 10_000).pngsave_buffer(compression: 9)
      expect { world.act("Clients::UpdateLogo", :ines, client, io: StringIO.new(huge)) }.to raise_error(
        AskFirst::Core::Invalid
      ) { |error| expect([error.code, error.field]).to eq %w[picture_too_large file] }
      expect(db[:workspaces].where(id: world.workspace(client)).get(:logo)).to be_nil
    end
  end
end
