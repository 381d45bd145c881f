# frozen_string_literal: true

RSpec.describe AskFirst::Core::Permissions::Decision do
  abilities = AskFirst::Core::Permissions::Abilities
  person = Struct.new(:name, :side, :abilities)

  def decide(role, act)
    side, held = AskFirst::Core::Permissions::Abilities::PRESETS.fetch(role)
    described_class.for(Struct.new(:side, :abilities).new(side, held), act)
  end

  # The whole table: each preset and what it may write.
  {
    "account lead" => %w[copy visuals timing all], "reviewer" => %w[copy visuals timing all], "copywriter" => %w[copy], "designer" => %w[visuals],
    "assistant" => %w[copy timing], "client approver" => [], "client observer" => []
  }.each do |role, groups|
    AskFirst::Core::Posts::Parts::GROUPS.each do |part, opened_by|
      may = opened_by.intersect?(groups)
      it "#{role}: #{may ? 'may' : 'may not'} write #{part}" do
        expect(decide(role, "write:#{part}").allowed?).to be may
      end
    end
  end

  it "no preset of the client side reaches above the ceiling" do
    abilities::PRESETS.each { |name, (side, held)| expect([name, held - abilities::CLIENT_CEILING]).to eq([name, []]) if side == "client" }
  end

  it "only the owner governs; a lead runs" do
    expect(abilities::PRESETS.keys.select { |role| decide(role, "rule").allowed? }).to eq ["agency owner"]
    expect(abilities::PRESETS.keys.select { |role| decide(role, "release").allowed? }).to eq ["agency owner", "account lead", "assistant"]
  end

  it "every act and every part has its ability, and every ability its sentence" do
    needed = described_class::ACTS.values + described_class::WRITE.values
    expect(needed - abilities::ALL).to eq []
  end

  it "a refusal names the rule and who can" do
    designer = person.new("Sunniva", "agency", ["write_visuals"])
    others = [person.new("Maro", "agency", ["write_copy"]), person.new("Kit", "agency", ["work"])]
    expect { described_class.for(designer, "write:text", others: others).require! }.to raise_error(AskFirst::Core::Refused) { |error|
      expect(error.message).to eq "Your role here cannot change copy."
      expect(error.way_on).to eq "Maro can."
    }
  end
end
