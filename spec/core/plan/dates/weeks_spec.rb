# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::Weeks do
  def weeks(year, month, start) = described_class.of(Date.new(year, month, 1)..Date.new(year, month, -1), start)

  it "fills the first and the last week of a month, from Monday or from Sunday" do
    october = weeks(2026, 10, 1)
    expect(october.map(&:number)).to eq [40, 41, 42, 43, 44]
    expect([october.first.days.first, october.last.days.last].map(&:iso8601)).to eq %w[2026-09-28 2026-11-01]
    expect(weeks(2026, 10, 0).first.days.first.iso8601).to eq "2026-09-27"
    expect(weeks(2027, 2, 1).size).to eq 4 # 1 February 2027 is a Monday, and it has 28 days
  end

  it "every day of the month stands in it once, in rows of seven, for any month and start" do
    [2000, 2024, 2026, 2036].product((1..12).to_a, (0..6).to_a) do |year, month, start|
      days = weeks(year, month, start).flat_map(&:days)
      expect(days.size % 7).to eq 0
      expect(days.select { |day| day.month == month }.size).to eq Date.new(year, month, -1).day
      expect(days.first.wday).to eq start
      expect(days).to eq((days.first..days.last).to_a)
    end
  end

  it "a year in weeks that start on Sunday has each day once, and each week the number of its Thursday" do
    year = described_class.of(Date.new(2026, 1, 1)..Date.new(2026, 12, 31), 0)
    expect([year.first.days.first, year.last.days.last].map(&:iso8601)).to eq %w[2025-12-28 2027-01-02]
    expect(year.map(&:number)).to eq [*1..53]
    expect(year.map { |week| week.days.first.wday }.uniq).to eq [0]
    expect(year[1].days.map(&:iso8601).values_at(0, 4, 6)).to eq %w[2026-01-04 2026-01-08 2026-01-10]
  end

  # Check values of ISO 8601 weeks, from memory: 1 January 1977 is 1976-W53-6, 29 December 2008 is 2009-W01-1.
  it "has one week for one day, of its Thursday's number, from Monday or from Sunday" do
    week = ->(day, start) { described_class.of(day..day, start).map { |one| [one.number, one.days.first.iso8601] } }
    expect(week.call(Date.new(1977, 1, 1), 1)).to eq [[53, "1976-12-27"]]
    expect(week.call(Date.new(2008, 12, 29), 1)).to eq [[1, "2008-12-29"]]
    expect(week.call(Date.new(2026, 10, 18), 0)).to eq [[43, "2026-10-18"]]
  end
end
