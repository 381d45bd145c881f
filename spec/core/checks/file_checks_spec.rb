# frozen_string_literal: true

RSpec.describe AskFirst::Core::Checks::FileChecks do
  def file(**more)
    described_class::File.new(name: "crew.jpg", usable_until: nil, covered: 0r, **more)
  end

  def found(file, on) = described_class.call([file], on).map { |one| [one.level, one.code, one.sentence] }

  it "warns of a post that goes out after the last day on which a file may be used, and not on that day" do
    crew = file(usable_until: Date.new(2026, 10, 31))
    expect(found(crew, Date.new(2026, 11, 1))).to eq(
      [
        [
          "warning",
          "right_ended",
          "“crew.jpg” may be used until 31 October 2026, and this goes out on 1 November 2026."
        ]
      ]
    )
    expect([found(crew, Date.new(2026, 10, 31)), found(crew, nil)]).to eq [[], []]
  end

  it "warns of a picture below what the network's card asks for, and of nothing where it asks for none" do
    small = file(pixels: [500, 399])
    expect(described_class.call([small], nil, 400).map { |one| [one.level, one.code] }).to eq [%w[warning too_small]]
    others = [[small, nil], [file(pixels: [400, 900]), 400], [file(pixels: nil), 400]]
    expect(others.map { |one, least| described_class.call([one], nil, least) }).to all eq []
  end

  it "warns of words over more than a fifth" do
    expect(found(file(covered: Rational(282, 1000)), nil)).to eq(
      [["warning", "many_words", "Words cover 28 % of “crew.jpg”; more than 20 % is much."]]
    )
    expect(found(file(covered: Rational(1, 5)), nil)).to eq []
  end
end
