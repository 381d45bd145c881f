# frozen_string_literal: true

RSpec.describe AskFirst::Core::People::Addresses do
  def read(text)
    described_class.read(text).map { |one| [one.typed, one.address, one.problem] }
  end

  it "reads addresses as people paste them: by line, comma, semicolon, with names around them" do
    expect(
      described_class.read(
        "ines@fernhollow.example, wren@fernhollow.example\nOdile Marchetti <odile@quillmere.example>; " \
          "per@quillmere.example"
      ).map(&:address)
    ).to eq %w[ines@fernhollow.example wren@fernhollow.example odile@quillmere.example per@quillmere.example]
  end

  # each slip with its sentence; the forms are common practice, no source
  {
    "ines.fernhollow.example" => "Has no @.",
    "ines@@fernhollow.example" => "Has two @.",
    "@fernhollow.example" => "Has nothing before the @.",
    "ines@fernhollow" => "Has no whole domain after the @ (such as name.example).",
    "ines@fernhollow..example" => "Has two dots in a row, or a dot at an end.",
    "ines.@fernhollow.example" => "Has two dots in a row, or a dot at an end.",
    "in(es@fernhollow.example" => "Has a character that an address cannot have.",
    "#{"a" * 250}@fernhollow.example" => "Is longer than 254 characters."
  }.each do |typed, problem|
    it "#{typed[0, 40]}: #{problem}" do
      expect(read(typed)).to eq [[typed, nil, problem]]
    end
  end

  it "keeps the good ones beside the bad, and tells a double once" do
    found = described_class.read("ines@fernhollow.example\nbroken\nINES@fernhollow.example\nwren@fernhollow.example")
    expect(found.map { |one| one.problem.nil? }).to eq [true, false, false, true]
    expect(found[2].problem).to eq "Is in the list twice."
  end

  it "takes at most a hundred at once" do
    expect { described_class.read(Array.new(101) { |n| "p#{n}@x.example" }.join(" ")) }.to raise_error(
      AskFirst::Core::Invalid,
      /101 addresses/
    )
  end
end
