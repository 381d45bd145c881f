# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::DaysOff do
  def days(region, year) =
    described_class.between(region, Date.new(year, 1, 1), Date.new(year, 12, 31)).map { |day| day[:date].iso8601 }

  # From memory: Portugal's thirteen national holidays in 2026 (Easter is 5 April: Good Friday and Corpus Christi
  # follow it)
  it "knows a country's holidays, the movable ones too" do
    expect(days("pt", 2026)).to eq %w[
         2026-01-01
         2026-04-03
         2026-04-05
         2026-04-25
         2026-05-01
         2026-06-04
         2026-06-10
         2026-08-15
         2026-10-05
         2026-11-01
         2026-12-01
         2026-12-08
         2026-12-25
       ]
  end

  # From memory: Berlin has 8 March, which Germany as a whole has not; Melbourne has the first Tuesday of November
  it "knows a region's own" do
    expect(days("de_be", 2026)).to include "2026-03-08"
    expect(days("de", 2026)).not_to include "2026-03-08"
    expect(days("au_vic_melbourne", 2026)).to include "2026-11-03"
  end

  # Easter by the anonymous Gregorian algorithm (Meeus, "Astronomical Algorithms", 1991, chapter 8), against the package
  it "has Good Friday two days before Easter in forty years" do
    easter =
      lambda do |year|
        a = year % 19
        b, c = year.divmod(100)
        d, e = b.divmod(4)
        g = ((8 * b) + 13) / 25
        h = ((19 * a) + b - d - g + 15) % 30
        i, k = c.divmod(4)
        l = (32 + (2 * e) + (2 * i) - h - k) % 7
        m = (a + (11 * h) + (22 * l)) / 451
        month, day = (h + l - (7 * m) + 114).divmod(31)
        Date.new(year, month, day + 1)
      end
    (2020..2059).each do |year|
      expect([year, days("pt", year)]).to match [year, a_collection_including((easter.call(year) - 2).iso8601)]
    end
  end

  it "without a region there is none, and what is no region is not offered" do
    expect(days("", 2026)).to be_empty
    expect(described_class::REGIONS).to include("pt", "de_be", "us_co").and(
      satisfy { |regions| !regions.include?("atlantis") }
    )
  end
end
