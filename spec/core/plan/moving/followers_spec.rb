# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::Followers do
  one = ->(id, own = false) { described_class::One.new(channel_id: id, own: own) }
  ticker, vitrine = %w[ticker vitrine].map { |id| one.call(id) }
  leaflet = one.call("leaflet", true)
  all = [ticker, vitrine, leaflet]

  it "a channel that follows the master's time takes the master with it, and one with its own time goes alone" do
    expect(described_class.new(all, [ticker, vitrine]).targets).to eq [nil]
    expect(described_class.new(all, [leaflet]).targets).to eq ["leaflet"]
    expect(described_class.new(all, all).targets).to eq [nil, "leaflet"]
  end

  it "a post that is moved as a whole moves by its master" do
    expect(described_class.new([], []).targets).to eq [nil]
    expect(described_class.new(all, []).targets).to eq [nil]
  end

  it "whoever follows the master and was not chosen would be surprised" do
    expect(described_class.new(all, [ticker]).surprised).to eq [vitrine]
    expect(described_class.new(all, [ticker, vitrine]).surprised).to eq []
    expect(described_class.new(all, [leaflet]).surprised).to eq []
    expect(described_class.new(all, []).surprised).to eq []
  end
end
