# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::ClockChanges do
  def changes(zone, from, to)
    described_class.between(zone, Date.iso8601(from), Date.iso8601(to)).transform_keys(&:iso8601)
  end

  # Source: Directive 2000/84/EC: the last Sundays of March and of October, 1:00 UTC.
  it "are the last Sundays of March and October in Lisbon" do
    expect(changes("Europe/Lisbon", "2026-01-01", "2026-12-31")).to eq("2026-03-29" => 3_600, "2026-10-25" => -3_600)
  end

  it "are by the clock of the place: half an hour at Lord Howe, none where the clock stays" do
    expect(changes("Australia/Lord_Howe", "2026-10-01", "2026-10-31")).to eq("2026-10-04" => 1_800)
    expect(changes("Asia/Tokyo", "2026-01-01", "2026-12-31")).to be_empty
  end

  it "are told for the first and the last day of a span too" do
    expect(changes("Europe/Lisbon", "2026-10-25", "2026-10-25").keys).to eq ["2026-10-25"]
    expect(changes("Europe/Lisbon", "2026-10-26", "2026-11-01")).to be_empty
  end
end
