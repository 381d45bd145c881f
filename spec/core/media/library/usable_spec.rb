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

  # the last day is 14 October; told from the day before, and again when it is over
  { 12 => nil, 13 => "ahead", 14 => "ahead", 15 => "ended" }.each do |day, told|
    it "on the #{day}th, of a post that goes out on the 20th, #{told ? "is told as #{told}" : "is not told yet"}" do
      found = described_class.told(Date.new(2026, 10, 14), Date.new(2026, 10, 20), Date.new(2026, 10, day))
      expect(found).to eq told
    end
  end

  it "is not told of a post that goes out in time, or of a file without a last day" do
    expect(described_class.told(today, today, today)).to be_nil
    expect(described_class.told(nil, today, today)).to be_nil
  end

  it "names what may not be used on a day" do
    files = [["boat.jpg", today - 1], ["pier.jpg", today], ["fog.jpg", nil]]
    expect(described_class.ended(files, today)).to start_with "“boat.jpg” may be used until 13 October 2026: by"
    expect(described_class.ended(files.drop(1), today)).to be_nil
  end
end
