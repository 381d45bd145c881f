# frozen_string_literal: true

RSpec.describe AskFirst::Core::Campaigns::Campaign do
  let(:now) { Time.utc(2026, 10, 14, 9, 20) }
  let(:given) do
    { name: "Winter timetable", first: "2026-10-19", last: "2026-11-15", goal: "", brief: "", budget: nil }
  end

  def read(**more) = described_class.read(**given, **more, now: now)
  def code(**more) = refusal { read(**more) }.code

  it "has a name, a period of whole days, a budget in the currency's smallest unit" do
    found = read(budget: { "minor" => 120_000, "currency" => "EUR" }, goal: " fewer  calls ")
    expect([found.days, found.budget, found.goal]).to eq [
         Date.new(2026, 10, 19)..Date.new(2026, 11, 15),
         { minor: 120_000, currency: "EUR" },
         "fewer calls"
       ]
    expect(read(first: "", last: nil).days).to be_nil
  end

  it "refuses half a period, one that ends before it begins, one of three years, and what is no money" do
    expect([code(last: ""), code(last: "2026-10-18"), code(last: "2029-01-01"), code(first: "2026-02-30")]).to eq %w[
         half_period
         ends_before
         too_many_days
         bad_date
       ]
    expect(code(budget: { "minor" => 1.5, "currency" => "EUR" })).to eq "bad_budget"
    expect(code(budget: { "minor" => -1, "currency" => "EUR" })).to eq "bad_budget"
    expect(code(budget: { "minor" => 1, "currency" => "XYZ" })).to eq "bad_currency"
    expect(code(name: " ")).to eq "name_missing"
  end
end
