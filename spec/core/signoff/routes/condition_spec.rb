# frozen_string_literal: true

RSpec.describe AskFirst::Core::Signoff::Condition do
  def facts(labels: [], channel: "ticker", format: "picture", budget: nil)
    described_class::Facts.new(labels: labels, channel: channel, format: format, budget: budget)
  end

  def condition(**value) = described_class.new(value.transform_keys(&:to_s))
  def money(minor, currency = "EUR") = { "minor" => minor, "currency" => currency }

  it "is met by any of several labels, channels or formats" do
    labels = condition(labels: %w[times prices])
    expect([labels.met?(facts(labels: ["prices"])), labels.met?(facts(labels: ["other"]))]).to eq [true, false]
    channels = condition(channels: %w[vitrine])
    expect([channels.met?(facts(channel: "vitrine")), channels.met?(facts)]).to eq [true, false]
    formats = condition(formats: %w[video])
    expect([formats.met?(facts(format: "video")), formats.met?(facts(format: nil))]).to eq [true, false]
  end

  it "is met only by all that it names" do
    both = condition(labels: %w[times], channels: %w[ticker])
    expect(both.met?(facts(labels: ["times"]))).to be true
    expect(both.met?(facts(labels: ["times"], channel: "vitrine"))).to be false
  end

  it "is met above an amount, not at it; money of another currency is asked for" do
    above = condition(budget: money(50_000))
    expect([money(50_001), money(50_000), nil].map { |sum| above.met?(facts(budget: sum)) }).to eq [true, false, false]
    expect(above.met?(facts(budget: money(1, "USD")))).to be true
  end

  it "without anything is met by everything" do
    expect(condition.met?(facts)).to be true
    expect(described_class.stored(nil)).to be_nil
  end

  it "says what it wants and what is missing" do
    names = { "t" => "Times", "p" => "Prices", "v" => "Vitrine, Quillmere" }
    one = condition(labels: %w[t p], channels: %w[v], budget: money(50_000))
    expect(one.words(names)).to eq "labelled Times or Prices, for Vitrine, Quillmere, with a budget above EUR 500.00"
    expect(one.why_not(facts, names)).to eq "it is not labelled Times or Prices"
    expect(one.why_not(facts(labels: ["t"]), names)).to eq "it is not for Vitrine, Quillmere"
    spent = facts(labels: ["t"], channel: "v", budget: money(100))
    expect(one.why_not(spent, names)).to eq "its budget is not above EUR 500.00"
    expect(one.why_not(facts(labels: ["t"], channel: "v", budget: money(90_000)), names)).to be_nil
    expect(condition(labels: ["gone"]).words(names)).to eq "labelled something that is gone"
  end

  it "proposes its label for a text that names a time or a price, and does not decide" do
    proposing = condition(labels: %w[times], proposes: "times_or_prices")
    expect(proposing.proposal(facts, "The last boat leaves at 23:30.")).to eq "times"
    expect(proposing.proposal(facts, "A day ticket costs €9.")).to eq "times"
    expect(proposing.proposal(facts, "Fog on the estuary.")).to be_nil
    expect(proposing.proposal(facts(labels: ["times"]), "at 23:30")).to be_nil
    expect(condition(labels: %w[times]).proposal(facts, "at 23:30")).to be_nil
    expect(proposing.met?(facts)).to be false
  end

  it "is kept without what it does not name" do
    expect(condition(labels: ["t"]).to_h).to eq("labels" => ["t"])
    expect(described_class.stored("labels" => ["t"])).to eq condition(labels: ["t"])
  end
end
