# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::Recurrence do
  let(:first) { Date.new(2026, 10, 15) }

  def read(rule) = described_class.read(rule, first: first)
  def code(rule) = refusal { read(rule) }.code
  def words(rule, on = first) = AskFirst::Core::Plan::RecurrenceWords.of(described_class.read(rule, first: on))

  it "never ends unless it says so, and is asked for some days of it" do
    rule = read("RRULE:FREQ=WEEKLY;INTERVAL=2;BYDAY=TH")
    expect(rule.within(Date.new(2035, 1, 1)..Date.new(2035, 1, 31)).map(&:iso8601)).to eq %w[2035-01-11 2035-01-25]
    expect(rule.within(Date.new(2026, 1, 1)..Date.new(2026, 10, 14))).to eq []
  end

  it "without any day is refused, and is not searched for to the year 9999" do
    expect(code("FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30")).to eq "rule_without_day"
    expect(code("FREQ=MONTHLY;BYDAY=5MO;BYMONTHDAY=1")).to eq "rule_without_day"
  end

  it "on 29 February has its leap years" do
    leap = described_class.read("FREQ=YEARLY", first: Date.new(2028, 2, 29))
    expect(leap.within(Date.new(2028, 1, 1)..Date.new(2036, 12, 31)).map(&:year)).to eq [2028, 2032, 2036]
  end

  it "takes rules for days and nothing else" do
    bad = [
      "",
      "FREQ=HOURLY",
      "FREQ=WEEKLY;BYHOUR=9",
      "FREQ=WEEKLY;FREQ=DAILY",
      "FREQ=WEEKLY;INTERVAL=0",
      "every Thursday"
    ]
    expect(bad.map { |rule| code(rule) }.uniq).to eq ["bad_rule"]
    expect(code("FREQ=DAILY;UNTIL=20261345")).to eq "bad_rule"
    expect(code("FREQ=DAILY;COUNT=#{"9" * 200}")).to eq "bad_rule"
  end

  it "is said in words" do
    said = {
      "FREQ=WEEKLY;INTERVAL=2;BYDAY=TH" => "every other Thursday",
      "FREQ=WEEKLY;BYDAY=MO,TH" => "every Monday and Thursday",
      "FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR" => "every working day",
      "FREQ=WEEKLY;INTERVAL=3;BYDAY=TH" => "every 3 weeks on Thursday",
      "FREQ=MONTHLY;BYMONTHDAY=2" => "on the 2nd of each month",
      "FREQ=MONTHLY;BYMONTHDAY=-1" => "on the last day of each month",
      "FREQ=MONTHLY;BYDAY=-1FR" => "on the last Friday of each month",
      "FREQ=MONTHLY;INTERVAL=3;BYDAY=1MO" => "every 3 months on the first Monday",
      "FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1" => "on the last working day of each month",
      "FREQ=YEARLY" => "every year on 15 October",
      "FREQ=DAILY;INTERVAL=10;COUNT=5" => "every 10 days, 5 times",
      "FREQ=WEEKLY;UNTIL=20261231" => "every Thursday, until 31 December 2026",
      "FREQ=YEARLY;BYMONTH=6;BYDAY=TH" => "FREQ=YEARLY;BYMONTH=6;BYDAY=TH"
    }
    expect(said.keys.to_h { |rule| [rule, words(rule)] }).to eq said
  end
end
