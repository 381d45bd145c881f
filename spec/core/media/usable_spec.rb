# frozen_string_literal: true

RSpec.describe AskFirst::Core::Media::Usable do
  let(:today) { Date.new(2026, 10, 14) }

  { nil => "always", 0 => "soon", -1 => "ended", 30 => "soon", 31 => "later" }.each do |days, state|
    it "is #{state} with #{days.nil? ? "no last day" : "its last day #{days} days from now"}" do
      expect(described_class.state(days && (today + days), today)).to eq state
    end
  end

  it "counts its last day" do
    expect([today, today + 1].map { |day| described_class.over?(today, day) }).to eq [false, true]
    expect(described_class.over?(nil, today)).to be false
  end
end
