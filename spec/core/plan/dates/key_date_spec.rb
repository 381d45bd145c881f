# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::KeyDate do
  let(:now) { Time.utc(2026, 10, 14, 9, 20) }

  def read(**given)
    described_class.read(
      kind: "date",
      name: "Feast of lamps",
      first: "2026-12-06",
      last: nil,
      yearly: false,
      now: now,
      **given
    )
  end

  def code(**given) = refusal { read(**given) }.code
  def day(text) = Date.iso8601(text)

  def firsts(date, from, to) = date.within(day(from)..day(to)).map { |days| days.first.iso8601 }

  it "is one day, or several in a row" do
    expect(read.days).to eq day("2026-12-06")..day("2026-12-06")
    expect(read(last: "2026-12-09").days).to eq day("2026-12-06")..day("2026-12-09")
  end

  it "needs a name and days in their order, at most a year of them" do
    expect([code(name: " "), code(last: "2026-12-05"), code(last: "2027-12-07"), code(kind: "fair")]).to eq %w[
         name_missing
         ends_before
         too_many_days
         bad_kind
       ]
    expect([code(first: "2026-02-29"), code(first: "9999-01-01"), code(name: "x" * 81)]).to eq %w[
         bad_date
         time_out_of_reach
         too_long
       ]
  end

  it "is within some days if one of its own is" do
    fair = read(first: "2026-10-30", last: "2026-11-02")
    expect([firsts(fair, "2026-11-01", "2026-11-30"), firsts(fair, "2026-11-03", "2026-11-30")]).to eq [
         ["2026-10-30"],
         []
       ]
  end

  it "comes back every year from its first, over the turn of the year too" do
    feast = read(first: "2026-12-30", last: "2027-01-02", yearly: true)
    expect(firsts(feast, "2025-01-01", "2028-12-31")).to eq %w[2026-12-30 2027-12-30 2028-12-30]
    expect(firsts(feast, "2028-01-01", "2028-01-31")).to eq ["2027-12-30"]
  end

  # RFC 5545, 3.3.10: a date that does not exist is ignored, not moved. Leap years: 2028 and 2032.
  it "on 29 February comes back in leap years alone" do
    leap = read(first: "2028-02-29", yearly: true)
    expect(firsts(leap, "2028-01-01", "2033-12-31")).to eq %w[2028-02-29 2032-02-29]
  end
end
