# frozen_string_literal: true

# A recovery code is read off paper on a bad day.
RSpec.describe AskFirst::Core::People::RecoveryCode do
  it "is four groups of four, without signs that look alike, and never the same" do
    codes = Array.new(500) { described_class.make }
    expect(codes).to all(match(/\A\w{4}(-\w{4}){3}\z/))
    expect(codes.join).not_to match(/[01OIL]/)
    expect(codes.uniq.size).to eq 500
    expect(described_class::ALPHABET.uniq.size).to eq 31
  end

  it "is known in small letters, with spaces or without anything between the groups" do
    ["k7qm 4txr 92hf c3wd", "K7QM4TXR92HFC3WD", " K7QM-4TXR-92HF-C3WD\n"].each do |typed|
      expect(described_class.clean(typed)).to eq "K7QM-4TXR-92HF-C3WD"
    end
  end

  it "leaves what has another form as it is" do
    ["", "nonsense", "K7QM-4TXR-92HF", "9xW_lmN-oldKindOfCode0123456789"].each do |typed|
      expect(described_class.clean(typed)).to eq typed
    end
  end
end
