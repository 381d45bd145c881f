# frozen_string_literal: true

RSpec.describe "One's own profile", :database do
  let(:wren) { AskFirst::App::AgencyPerson.load(world.environment, world.person(:wren)) }
  let(:good) do
    {
      name: "Wren Adeyo",
      zone: "Europe/Lisbon",
      hour12: false,
      date_language: "en-GB",
      working_days: [1, 2, 3, 4, 5],
      notices: {
      },
      quiet: nil
    }
  end

  def agency(name, **input)
    AskFirst::App.const_get(name).call(world.environment, wren, **input)
  end

  def version = db[:people].where(id: world.person(:wren)).get(:version)

  it "keeps what was said, and says when it was changed from another page" do
    seen = version
    expect(
      agency(
        "People::UpdateProfile",
        version: seen,
        **good,
        working_days: [5, 1, 1],
        quiet: %w[20:00 07:00],
        notices: {
          "task" => "not"
        }
      )
    ).to eq seen + 1
    shown = agency("People::Profile")
    expect(shown).to include(working_days: [1, 5], quiet: %w[20:00 07:00])
    expect(shown[:notices].find { |one| one[:kind] == "task" }).to include(choice: "not", must: false)
    expect { agency("People::UpdateProfile", version: seen, **good) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.facts["version"]).to eq seen + 1
    }
    agency("People::UpdateProfile", version: version, **good)
  end

  {
    zone: "Mars/Base",
    name: " ",
    date_language: "<b>",
    working_days: [8],
    quiet: %w[25:00 07:00]
  }.each do |field, value|
    it "#{field} #{value.inspect} is refused at its field" do
      expect { agency("People::UpdateProfile", :version => version, **good, field => value) }.to raise_error(
        AskFirst::Core::Invalid
      ) { |error| expect(error.field).to eq field.to_s }
    end
  end

  it "a picture is what its bytes say, and shown to whoever shares a client" do
    agency("People::Picture", io: SpecWorld.picture)
    ines = AskFirst::App::AgencyPerson.load(world.environment, world.person(:ines))
    expect(File.size(AskFirst::App::People::Picture.open(world.environment, ines, world.person(:wren))[:path])).to be >
      100
    stranger =
      AskFirst::App::AgencyPerson.load(
        world.environment,
        AskFirst::App::People::AddPerson.call(
          world.environment,
          agency_id: db[:agencies].get(:id),
          name: "S",
          email: "s#{SecureRandom.hex(3)}@x.example",
          zone: "Europe/Lisbon"
        )
      )
    expect { AskFirst::App::People::Picture.open(world.environment, stranger, world.person(:wren)) }.to raise_error(
      AskFirst::Core::NotFound
    )
    expect { agency("People::Picture", io: StringIO.new("<html>")) }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.code).to eq "not_a_picture"
    }
    agency("People::Picture", io: nil)
    expect { AskFirst::App::People::Picture.open(world.environment, ines, world.person(:wren)) }.to raise_error(
      AskFirst::Core::NotFound
    )
  end

  describe "an absence" do
    after { db[:absences].delete }

    it "whoever stands in is asked instead, at that client" do
      id =
        agency(
          "People::PlanAbsence",
          from: "2026-10-14",
          until_date: "2026-10-16",
          stand_ins: [{ "workspace_id" => world.workspace, "person_id" => world.person(:bram) }]
        )
      post = world.draft
      sheet = world.act("Posts::PostSheet", :ines, post_id: post)
      expect(sheet[:next_ask][:people]).to eq ["Bram Teodoro"]
      world.ask(post, 0)
      people = db[:ask_people].where(ask_id: world.line(post)[:ask_id]).select_map(:person_id)
      expect(people).to eq [world.person(:bram)]
      world.answer(post, :bram)
      expect(world.stage(post)).to eq "client_approval"
      agency("People::RemoveAbsence", absence_id: id)
      expect(db[:stand_ins].count).to eq 0
    end

    it "without a stand-in they are left out where another can answer, and asked where nobody else could" do
      agency("People::PlanAbsence", from: "2026-10-14", until_date: "2026-10-16")
      post = world.draft
      world.ask(post, 0, who: :tobiah) # Wren and Ines are named
      expect(db[:ask_people].where(ask_id: world.line(post)[:ask_id]).select_map(:person_id)).to eq [
           world.person(:ines)
         ]
    end

    it "is planned with whole days and a colleague, and taken back only by its person" do
      expect { agency("People::PlanAbsence", from: "2026-10-16", until_date: "2026-10-14") }.to raise_error(
        AskFirst::Core::Invalid,
        /before the first/
      )
      expect { agency("People::PlanAbsence", from: "soon", until_date: "2026-10-14") }.to raise_error(
        AskFirst::Core::Invalid
      )
      stand_in = [{ "workspace_id" => world.workspace, "person_id" => world.person(:odile) }]
      expect {
        agency("People::PlanAbsence", from: "2026-10-14", until_date: "2026-10-15", stand_ins: stand_in)
      }.to raise_error(AskFirst::Core::Invalid, /must be a colleague/)
      id = agency("People::PlanAbsence", from: "2026-10-14", until_date: "2026-10-15")
      maro = AskFirst::App::AgencyPerson.load(world.environment, world.person(:maro))
      expect { AskFirst::App::People::RemoveAbsence.call(world.environment, maro, absence_id: id) }.to raise_error(
        AskFirst::Core::NotFound
      )
    end
  end

  describe "what one is told" do
    def told(who) = db[:notices].where(person_id: world.person(who))

    it "comes as its kind was chosen: a task in the digest, an ask at once; whoever acts is not told" do
      post = world.draft
      world.act(
        "Traffic::AssignTask",
        :ines,
        post_id: post,
        kind: "picture",
        title: "Lamps",
        person_id: world.person(:sunniva),
        due: {
          "wall" => "2026-10-20T12:00",
          "zone" => "Europe/Lisbon"
        }
      )
      expect(told(:sunniva).where(post_id: post).get(:due_at)).to eq Time.utc(2026, 10, 15, 7) # 8:00 in Lisbon
      world.ask(post, 0)
      expect(told(:wren).where(post_id: post).get(%i[kind due_at])).to eq ["asked", SpecWorld::NOON]
      expect(told(:ines).where(post_id: post).count).to eq 0
      world.answer(post, :wren)
      expect(told(:ines).where(post_id: post).select_map(:kind)).to eq ["answered"]
    end

    it "is one mail with everything that is due, sent once, to a member only" do
      db[:notices].delete
      2.times { |n| world.act("Talk::Say", :wren, post_id: world.draft, room: "house", words: "Word #{n}") }
      world.clock.set(SpecWorld::NOON + 86_400)
      before = mails("ines").size
      2.times { AskFirst::App::People::MailNotices.call(world.jobs, world.person(:ines)) }
      expect(mails("ines").size).to eq before + 1
      expect(mails("ines").first["text"]).to include("Word 0", "Word 1", "Quillmere Ferries")
      # the client's people never get a notice that talks of house matters
      expect(db[:notices].where(person_id: world.person(:odile)).count).to eq 0
    end

    def mails(who)
      JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{who}@fernhollow.example.json")))
    end
  end
end
