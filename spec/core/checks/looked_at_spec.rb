# frozen_string_literal: true

checks = AskFirst::Core::Checks

RSpec.describe checks::LookedAt do
  it "every finding that a check can make belongs to one of the things that are looked at, and to one only" do
    source = Dir[File.join(Setup::ROOT, "core/checks/*.rb")].map { |file| File.read(file) }.join
    made = source.scan(/(?:fault|warning)\("(\w+)"/).flatten + %w[no_pictures_here no_videos_here no_documents_here]
    expect(described_class::ALL.values.flatten).to match_array made.uniq
  end

  it "says what is fine: all that has no finding" do
    expect(described_class.fine([])).to eq described_class::ALL.keys
    expect(described_class.fine(%w[flooding clash text_too_long])).not_to include("length", "what goes out around it")
    expect(described_class.fine(%w[flooding])).to include("length", "link", "descriptions")
  end
end
