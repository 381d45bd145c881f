# frozen_string_literal: true

# Four eyes: nobody rules on their own words.
RSpec.describe AskFirst::Core::Signoff::FourEyes do
  member = Struct.new(:person_id, :name, :abilities)
  step = ->(wanted) { Struct.new(:four_eyes).new(wanted) }

  it "bars an author, and whoever would rule in an author's name; where they are not wanted, nobody" do
    expect(described_class.bars?(step.call(true), %w[wren maro], ["wren"])).to be true
    expect(described_class.bars?(step.call(true), %w[wren maro], %w[bram maro])).to be true
    expect(described_class.bars?(step.call(true), %w[wren maro], ["bram", nil])).to be false
    expect(described_class.bars?(step.call(false), %w[wren maro], ["wren"])).to be false
  end

  it "names who can: whoever may rule and wrote nothing of it; at last the owner" do
    members = [
      member.new("wren", "Wren", ["skip_steps"]),
      member.new("bram", "Bram", ["skip_steps"]),
      member.new("ines", "Ines", ["ask"])
    ]
    expect(described_class.who_can(["wren"], members)).to eq ["Bram"]
    expect(described_class.refusal("skipped", ["Bram"]).way_on).to eq "Bram can."
    expect(described_class.refusal("skipped", []).way_on).to eq "Ask the agency's owner."
  end
end
