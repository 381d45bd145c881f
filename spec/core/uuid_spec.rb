# frozen_string_literal: true

RSpec.describe AskFirst::Core::Uuid do
  # Source: RFC 9562, appendix A.6: the example UUIDv7 of 22 February 2022, 2:22:22 pm at GMT-05:00.
  it "writes the RFC's example" do
    random = ["0cc398c4dc0c0c07398f"].pack("H*")
    uuid = described_class.v7(Time.at(0, 0x017F22E279B0, :millisecond), random: random)
    expect(uuid[0, 15]).to eq "017f22e2-79b0-7"
    expect(uuid).to match(/\A\h{8}-\h{4}-7\h{3}-[89ab]\h{3}-\h{12}\z/)
  end

  it "knows whether an id was made lately: within a day, and by a clock that is a minute ahead at most" do
    now = Time.utc(2026, 10, 14, 9)
    ages = { -61 => false, -59 => true, 0 => true, 86_399 => true, 86_401 => false }
    told = ages.to_h { |age, _| [age, described_class.lately?(described_class.v7(now - age), now)] }
    expect(told).to eq ages
    expect(described_class.lately?("not an id", now)).to be false
  end

  it "sorts by time" do
    now = Time.now
    ids = (0...50).map { |n| described_class.v7(now + (n / 1000r)) }
    expect(ids.sort).to eq ids
  end
end
