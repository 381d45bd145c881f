# frozen_string_literal: true

# The numbers are ours; that waits grow, and that nobody can be kept out of a device they have used, is the rule.
RSpec.describe AskFirst::Core::People::Brake do
  let(:now) { Time.utc(2026, 10, 14, 9, 20) }

  def tries(count, address: "198.51.100.7", device: nil, ago: 0)
    Array.new(count) { |n| described_class::Try.new(address: address, device: device, at: now - ago - (n * 0.01)) }
  end

  def wait(own, there: own, address: "198.51.100.7", device: nil)
    described_class.wait(own, there, address: address, device: device, now: now)
  end

  it "lets the first wrong tries through, then waits longer with each, up to a quarter of an hour" do
    expect((4..13).map { |count| wait(tries(count)) }).to eq [0, 15, 30, 60, 120, 240, 480, 900, 900, 900]
  end

  it "counts the wait from the last try, and forgets after an hour" do
    expect(wait(tries(6, ago: 20))).to eq 10
    expect(wait(tries(6, ago: 31))).to eq 0
    expect(wait(tries(50, ago: 3_601))).to eq 0
  end

  it "one name from many addresses is slowed down as well, and one address with many names" do
    many = (1..26).flat_map { |n| tries(1, address: "198.51.100.#{n}") }
    expect(wait(many, there: [], address: "203.0.113.9")).to be_positive
    expect(wait(many.first(24), there: [], address: "203.0.113.9")).to eq 0
    expect(wait([], there: tries(61))).to be_positive
    expect(wait([], there: tries(59))).to eq 0
  end

  it "a known device waits for its own wrong tries alone" do
    flood = tries(500)
    expect(wait(flood, device: "mine")).to eq 0
    expect(wait(flood + tries(5, device: "mine"), device: "mine")).to eq 15
    expect(wait(tries(500, device: "other"), there: [])).to eq 0 # and keeps nobody else waiting
  end
end
