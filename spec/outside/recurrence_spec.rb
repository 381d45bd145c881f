# frozen_string_literal: true

require "ice_cube"

# Source: RFC 5545, 3.8.5.3, its examples (from memory, as far as they speak of days; the RFC's DTSTART is 1997-09-02
# unless it is said). Beside them the package ice_cube, an independent implementation, for what it knows (no BYSETPOS).
RSpec.describe AskFirst::Core::Plan::Recurrence do
  def days(rule, first = "1997-09-02", till = "2000-12-31")
    start = Date.iso8601(first)
    described_class.read(rule, first: start).within(start..Date.iso8601(till))
  end

  def texts(...) = days(...).map(&:iso8601)
  def month(year, month, *days) = days.map { |day| format("%d-%02d-%02d", year, month, day) }

  it "daily for ten times, and until a day" do
    expect(texts("FREQ=DAILY;COUNT=10")).to eq month(1997, 9, *2..11)
    expect(texts("FREQ=DAILY;UNTIL=19971224T000000Z").last).to eq "1997-12-24"
  end

  it "every other day, and every ten days five times" do
    expect(texts("FREQ=DAILY;INTERVAL=2").first(3)).to eq month(1997, 9, 2, 4, 6)
    expect(texts("FREQ=DAILY;INTERVAL=10;COUNT=5")).to eq month(1997, 9, 2, 12, 22) + month(1997, 10, 2, 12)
  end

  it "weekly on Tuesday and Thursday for five weeks" do
    expect(texts("FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH")).to eq(
      month(1997, 9, 2, 4, 9, 11, 16, 18, 23, 25, 30) + month(1997, 10, 2)
    )
  end

  it "every other week on Monday, Wednesday and Friday until 24 December 1997, from 1 September" do
    found = texts("FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR", "1997-09-01")
    expect(found).to eq(
      month(1997, 9, 1, 3, 5, 15, 17, 19, 29) + month(1997, 10, 1, 3, 13, 15, 17, 27, 29, 31) +
        month(1997, 11, 10, 12, 14, 24, 26, 28) + month(1997, 12, 8, 10, 12, 22, 24)
    )
  end

  it "monthly on the first Friday for ten times, from 5 September" do
    expect(texts("FREQ=MONTHLY;COUNT=10;BYDAY=1FR", "1997-09-05")).to eq %w[
         1997-09-05
         1997-10-03
         1997-11-07
         1997-12-05
         1998-01-02
         1998-02-06
         1998-03-06
         1998-04-03
         1998-05-01
         1998-06-05
       ]
  end

  it "every other month on the first and last Sunday, from 7 September" do
    expect(texts("FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU", "1997-09-07").first(6)).to eq(
      month(1997, 9, 7, 28) + month(1997, 11, 2, 30) + month(1998, 1, 4, 25)
    )
  end

  it "monthly on the second to last Monday, from 22 September" do
    expect(texts("FREQ=MONTHLY;COUNT=6;BYDAY=-2MO", "1997-09-22")).to eq %w[
         1997-09-22
         1997-10-20
         1997-11-17
         1997-12-22
         1998-01-19
         1998-02-16
       ]
  end

  it "monthly on the third to the last day, from 28 September" do
    expect(texts("FREQ=MONTHLY;BYMONTHDAY=-3", "1997-09-28").first(6)).to eq %w[
         1997-09-28
         1997-10-29
         1997-11-28
         1997-12-29
         1998-01-29
         1998-02-26
       ]
  end

  it "monthly on the first and last day, from 30 September" do
    expect(texts("FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1", "1997-09-30").first(5)).to eq(
      month(1997, 9, 30) + month(1997, 10, 1, 31) + month(1997, 11, 1, 30)
    )
  end

  it "yearly in June and July, from 10 June" do
    expect(texts("FREQ=YEARLY;COUNT=10;BYMONTH=6,7", "1997-06-10", "2001-12-31").first(4)).to eq %w[
         1997-06-10
         1997-07-10
         1998-06-10
         1998-07-10
       ]
  end

  it "every Friday the 13th" do
    expect(texts("FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13", "1997-09-02", "2000-12-31")).to eq %w[
         1998-02-13
         1998-03-13
         1998-11-13
         1999-08-13
         2000-10-13
       ]
  end

  it "the third Tuesday, Wednesday or Thursday of a month, from 4 September" do
    expect(texts("FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3", "1997-09-04")).to eq %w[
         1997-09-04
         1997-10-07
         1997-11-06
       ]
  end

  it "the second to last weekday of a month, from 29 September" do
    expect(texts("FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2", "1997-09-29").first(7)).to eq %w[
         1997-09-29
         1997-10-30
         1997-11-27
         1997-12-30
         1998-01-29
         1998-02-26
         1998-03-30
       ]
  end

  it "a day that a month does not have is ignored: the RFC's example of the 15th and 30th, from 15 January 2007" do
    expect(texts("FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5", "2007-01-15", "2007-12-31")).to eq %w[
         2007-01-15
         2007-01-30
         2007-02-15
         2007-03-15
         2007-03-30
       ]
    expect(texts("FREQ=MONTHLY;BYMONTHDAY=31", "2026-10-01", "2027-04-30")).to eq %w[
         2026-10-31
         2026-12-31
         2027-01-31
         2027-03-31
       ]
  end

  it "a week's start that matters: the RFC's example of Monday and Sunday, from 5 August" do
    expect(texts("FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO", "1997-08-05")).to eq month(
         1997,
         8,
         5,
         10,
         19,
         24
       )
    expect(texts("FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU", "1997-08-05")).to eq month(
         1997,
         8,
         5,
         17,
         19,
         31
       )
  end

  it "agrees with another implementation on rules without BYSETPOS" do
    rng = Random.new(55_45)
    100.times do
      rule = a_rule(rng)
      first = Date.new(2026, 1, 1) + rng.rand(300)
      till = first + 800
      schedule = IceCube::Schedule.new(utc(first))
      schedule.add_recurrence_rule(IceCube::Rule.from_ical(rule))
      # ice_cube counts the first day whether the rule has it or not
      other = schedule.occurrences_between(utc(first), utc(till)).map(&:to_date) - [first]
      begin
        mine = described_class.read(rule, first: first).within(first..till) - [first]
        expect([rule, first, mine]).to eq [rule, first, other]
      rescue AskFirst::Core::Invalid => e
        expect([rule, e.code, other]).to eq [rule, "rule_without_day", []]
      end
    end
  end

  def utc(day) = Time.utc(day.year, day.month, day.day)

  def a_rule(rng)
    interval = 1 + rng.rand(3)
    day = %w[MO TU WE TH FR SA SU].sample(random: rng)
    [
      "FREQ=WEEKLY;INTERVAL=#{interval};BYDAY=#{day};WKST=MO",
      "FREQ=MONTHLY;INTERVAL=#{interval};BYMONTHDAY=#{1 + rng.rand(31)}",
      "FREQ=MONTHLY;INTERVAL=#{interval};BYDAY=#{[1, 2, 3, 4, -1].sample(random: rng)}#{day}",
      "FREQ=DAILY;INTERVAL=#{1 + rng.rand(20)}"
    ].sample(random: rng)
  end
end
