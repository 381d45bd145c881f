# frozen_string_literal: true

# How fast PINs may be sent and tried. The numbers are common practice, no source.
RSpec.describe AskFirst::Core::Signoff::PinPace do
  let(:now) { Time.utc(2026, 10, 14, 9, 20) }

  def waits(count, ago) = described_class.waits_until(count, described_class::TRIES, ago && (now - ago), now)

  it "has five tries at once, then a minute, two, four, and never more than an hour" do
    expect([waits(0, nil), waits(4, 0)]).to eq [nil, nil]
    expect([5, 6, 7, 10, 11, 40].map { |count| waits(count, 0) - now }).to eq [60, 120, 240, 1_920, 3_600, 3_600]
    expect([waits(5, 59), waits(5, 60)]).to eq [now + 1, nil]
  end

  it "forgets what was more than a day ago" do
    expect(waits(40, 86_401)).to be_nil
    expect([described_class.counted(40, now - 86_401, now), described_class.counted(40, now - 86_400, now)]).to eq [
         1,
         41
       ]
    expect(described_class.counted(0, nil, now)).to eq 1
  end

  it "is told at five wrong tries, and when they have doubled" do
    expect((1..100).select { |wrong| described_class.told?(wrong) }).to eq [5, 10, 20, 40, 80]
  end
end
