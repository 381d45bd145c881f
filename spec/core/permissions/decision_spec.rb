# frozen_string_literal: true

RSpec.describe AskFirst::Core::Permissions::Decision do
  abilities = AskFirst::Core::Permissions::Abilities
  person = Struct.new(:person_id, :name, :side, :abilities, :limited_to, :archived, :looking, keyword_init: true)
  touched = AskFirst::Core::Permissions::Touched

  define_method(:somebody) do |name, held, **more|
    person.new(person_id: name, name: name, side: "agency", abilities: held, **more)
  end

  # The whole table: each preset and what it may write.
  {
    "account lead" => %w[copy visuals timing all],
    "reviewer" => %w[copy visuals timing all],
    "copywriter" => %w[copy],
    "designer" => %w[visuals],
    "video editor" => %w[visuals],
    "assistant" => %w[copy timing],
    "releaser" => %w[timing],
    "client approver" => [],
    "client observer" => []
  }.each do |role, groups|
    AskFirst::Core::Posts::Parts::GROUPS.each do |part, opened_by|
      may = opened_by.intersect?(groups)
      it "#{role}: #{may ? "may" : "may not"} write #{part}" do
        side, held = abilities::PRESETS.fetch(role)
        expect(
          described_class.for(person.new(person_id: "p", side: side, abilities: held), "write:#{part}").allowed?
        ).to be may
      end
    end
  end

  it "no preset of the client side reaches above the ceiling" do
    abilities::PRESETS.each do |name, (side, held)|
      expect([name, held - abilities::CLIENT_CEILING]).to eq([name, []]) if side == "client"
    end
  end

  it "every act and every part has its ability, and every ability its sentence" do
    needed =
      AskFirst::Core::Permissions::Acts::TABLE.values.flat_map { |entry| entry.abilities.to_a + entry.own.to_a }.uniq
    expect(needed - abilities::EVERY_SENTENCE.keys).to eq []
  end

  it "every ability of a side stands in one of its six groups" do
    expect(abilities::GROUPS.values.flat_map { |sides| sides["agency"] }).to match_array abilities::AGENCY_SIDE
    expect(abilities::GROUPS.values.flat_map { |sides| sides["client"] }).to match_array abilities::CLIENT_CEILING
  end

  it "says how much of a group a role has" do
    lead = abilities::PRESETS["account lead"].last
    expect(%w[see run govern].map { |group| abilities.share(lead, group, "agency") }).to eq %w[all all part]
    expect(abilities.share(abilities::PRESETS["designer"].last, "write", "agency")).to eq "part"
    expect(abilities.share(abilities::PRESETS["client observer"].last, "answer", "client")).to eq "none"
  end

  it "a refusal names the rule and who can" do
    others = [somebody("Maro", ["write_copy"]), somebody("Kit", ["work"])]
    expect {
      described_class.for(somebody("Sunniva", ["write_visuals"]), "write:text", others: others).require!
    }.to raise_error(AskFirst::Core::Refused) { |error|
      expect(error.message).to eq "Your role here cannot change copy."
      expect(error.way_on).to eq "Maro can."
    }
  end

  it "who can is decided by the same rules: not somebody whose part is limited to other channels" do
    others = [somebody("Maro", ["write_copy"], limited_to: ["newsletter"]), somebody("Ines", ["write_copy"])]
    decision =
      described_class.for(
        somebody("Sunniva", []),
        "write:text",
        on: touched.new(channel_ids: ["ticker"]),
        others: others
      )
    expect(decision.who_can).to eq ["Ines"]
  end

  it "what is sealed names those who may open it" do
    others = [somebody("Ines", %w[write_copy open]), somebody("Wren", %w[write_copy])]
    decision =
      described_class.for(
        somebody("Maro", ["write_copy"]),
        "write:text",
        on: touched.new(sealed: ["Ticker"]),
        others: others
      )
    expect([decision.code, decision.who_can]).to eq ["sealed", ["Ines"]]
    expect { decision.require! }.to raise_error(AskFirst::Core::Conflict, /Ticker is locked/)
  end

  it "what is being sent is too late for everybody" do
    decision =
      described_class.for(
        somebody("Ines", %w[write_copy open]),
        "write:text",
        on: touched.new(going: ["Ticker"]),
        others: [somebody("Bram", abilities::ALL)]
      )
    expect(decision.who_can).to eq []
    expect { decision.require! }.to raise_error(AskFirst::Core::Over, /Ticker is being sent/)
  end

  it "what is out is said as out, and before what is being sent" do
    decision =
      described_class.for(
        somebody("Ines", %w[write_copy]),
        "write:text",
        on: touched.new(out: %w[Ticker Vitrine], going: ["Spool"])
      )
    expect(decision.rule).to start_with "Ticker and Vitrine are out"
    expect { decision.require! }.to raise_error(AskFirst::Core::Over)
  end

  it "what concerns the whole client is for nobody who is limited to channels, whoever they are" do
    limited = somebody("Ines", abilities::ALL).tap { |one| one.limited_to = ["c1"] }
    decision = described_class.for(limited, "export", others: [somebody("Bram", abilities::ALL)])
    expect([decision.code, decision.way_on]).to eq ["other_channel", "Bram can."]
  end

  it "one's own task is finished with `work`, another's by whoever assigns" do
    mine = touched.new(owners: ["Sunniva"])
    expect(described_class.for(somebody("Sunniva", ["work"]), "finish_task", on: mine).allowed?).to be true
    expect(
      described_class.for(
        somebody("Maro", ["work"]),
        "finish_task",
        on: mine,
        others: [somebody("Ines", ["assign"])]
      ).way_on
    ).to eq "Ines can."
  end
end
