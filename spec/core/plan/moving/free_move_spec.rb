# frozen_string_literal: true

# Common practice, no source: what costs nobody anything is done at once, anything else is said first.
RSpec.describe AskFirst::Core::Plan::FreeMove do
  let(:now) { Time.utc(2026, 10, 14, 9) }

  def free?(wall, costs = [])
    time = wall && AskFirst::Core::Plan::WallTime.parse(wall, "Europe/Lisbon")
    described_class.free?(time, costs, now)
  end

  it "is free for a moment to come, and for no time at all" do
    expect(free?("2026-10-15T09:00")).to be true
    expect(free?(nil)).to be true
  end

  it "is said before where it costs a yes or a release" do
    expect(free?("2026-10-15T09:00", ["Its release ends."])).to be false
    expect(free?(nil, ["Its release ends."])).to be false
  end

  it "is said before for a moment that has passed, and for this very one" do
    expect(free?("2026-10-14T09:59")).to be false
    expect(free?("2026-10-14T10:00")).to be false # 9:00 UTC
    expect(free?("2026-10-14T10:01")).to be true
  end

  it "is said before where the clock shows it twice, or jumps over it" do
    expect(free?("2026-10-25T01:30")).to be false
    expect(free?("2027-03-28T01:30")).to be false
  end
end
