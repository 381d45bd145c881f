# frozen_string_literal: true

checks = AskFirst::Core::Checks

RSpec.describe checks::LookedAt do
  it "every finding that a check can make belongs to one of the things that are looked at, and to one only" do
    source = Dir[File.join(Setup::ROOT, "core/checks/*.rb")].map { |file| File.read(file) }.join
    made = source.scan(/(?:fault|warning)\(\s*"(\w+)"/).flatten + %w[no_pictures_here no_videos_here no_documents_here]
    expect(described_class::ALL.values.flatten).to match_array made.uniq
  end
end
