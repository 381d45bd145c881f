# frozen_string_literal: true

require "prop_check"

RSpec.describe AskFirst::Core::Plan::WorkingTime do
  week = (1..5).to_h { |day| [day.to_s, [%w[09:00 13:00], %w[14:00 18:00]]] }.merge("6" => [%w[09:00 12:00]])
  let(:lisbon) { described_class.new(zone: "Europe/Lisbon", week: week, region: "pt") }

  def at(text, zone = "Europe/Lisbon")
    AskFirst::Core::Plan::WallTime.parse(text, zone).at
  end

  it "adds over lunch, the night and the week's end" do
    expect(lisbon.add(at("2026-10-14T12:00"), 120)).to eq at("2026-10-14T15:00")
    expect(lisbon.add(at("2026-10-14T17:00"), 120)).to eq at("2026-10-15T10:00")
    # Friday 17:00: one hour, Saturday three, Monday one
    expect(lisbon.add(at("2026-10-16T17:00"), 300)).to eq at("2026-10-19T10:00")
  end

  it "a public holiday is no working time (5 October, Portugal)" do
    expect(lisbon.add(at("2026-10-03T11:00"), 120)).to eq at("2026-10-06T10:00")
    expect(described_class.new(zone: "Europe/Lisbon", week: week).add(at("2026-10-03T11:00"), 120)).to eq at(
         "2026-10-05T10:00"
       )
  end

  it "at a closing time adding gives the closing, subtracting the next opening" do
    expect(lisbon.add(at("2026-10-14T14:00"), 240)).to eq at("2026-10-14T18:00")
    expect(lisbon.subtract(at("2026-10-15T10:00"), 60)).to eq at("2026-10-15T09:00")
    expect(lisbon.subtract(at("2026-10-15T10:00"), 120)).to eq at("2026-10-14T17:00")
  end

  it "somebody works from the opening on, and not any more at the closing" do
    works = ->(text) { lisbon.working?(at(text)) }
    expect(%w[2026-10-14T09:00 2026-10-14T12:59 2026-10-14T14:00 2026-10-14T17:59].map(&works).uniq).to eq [true]
    expect(%w[2026-10-14T08:59 2026-10-14T13:00 2026-10-14T18:00 2026-10-18T10:00].map(&works).uniq).to eq [false]
  end

  it "measures between, backwards with a minus" do
    expect(lisbon.between(at("2026-10-14T12:00"), at("2026-10-15T10:00"))).to eq 360
    expect(lisbon.between(at("2026-10-15T10:00"), at("2026-10-14T12:00"))).to eq(-360)
  end

  it "between(t, add(t, n)) is n, and subtracting n again comes to the same working moment" do
    PropCheck.forall(
      PropCheck::Generators.choose(0..60_000),
      PropCheck::Generators.choose(1..6_000)
    ) do |start, minutes|
      from = at("2026-03-01T00:00") + (start * 60)
      to = lisbon.add(from, minutes)
      expect(lisbon.between(from, to)).to be_within(1e-6).of(minutes)
      expect(lisbon.between(lisbon.subtract(to, minutes), to)).to be_within(1e-6).of(minutes)
    end
  end

  it "knows on which days anybody works: not on Sundays, and not on 5 October in Portugal" do
    days = %w[2026-10-02 2026-10-03 2026-10-04 2026-10-05 2026-10-06].map { |day| Date.iso8601(day) }
    expect(days.map { |day| lisbon.works_on?(day) }).to eq [true, true, false, false, true]
  end

  it "knows when somebody works, and says so when nobody ever does" do
    expect(
      [at("2026-10-14T13:30"), at("2026-10-14T14:00"), at("2026-10-18T10:00")].map { |time| lisbon.working?(time) }
    ).to eq [false, true, false]
    expect { described_class.new(zone: "Europe/Lisbon", week: {}).add(at("2026-10-14T12:00"), 1) }.to raise_error(
      AskFirst::Core::Invalid,
      /no working hours/
    )
  end

  it "a whole day lasts to midnight, over the change of the clocks too" do
    round =
      described_class.new(zone: "Europe/Lisbon", week: described_class::DAYS.to_h { |day| [day, [%w[00:00 24:00]]] })
    expect(round.between(at("2026-10-25T00:00"), at("2026-10-26T00:00"))).to eq 25 * 60
  end
end
