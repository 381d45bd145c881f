# frozen_string_literal: true

require "prop_check"

RSpec.describe AskFirst::Core::Signoff::Escalation do
  week = AskFirst::Core::Plan::WorkingTime::DAYS.to_h { |day| [day, %w[6 7].include?(day) ? [] : [%w[09:00 17:00]]] }
  let(:hours) { AskFirst::Core::Plan::WorkingTime.new(zone: "Europe/Lisbon", week: week) }

  # Lisbon is at UTC+1 until 25 October 2026.
  def at(day, hour, minute = 0) = Time.utc(2026, 10, day, hour - 1, minute)

  it "reminds at half of the working time, which is another half than the clock's" do
    found = described_class.of(hours, at(15, 15), at(16, 15)) # Thursday to Friday, eight working hours
    expect(found.remind_at).to eq at(16, 11)
    expect(found.escalate_at).to eq at(19, 11) # two hours are left on Friday, two come on Monday
  end

  it "reminds over a weekend in working time" do
    found = described_class.of(hours, at(16, 16), at(19, 12)) # Friday 16:00 to Monday 12:00: one hour and three
    expect(found.remind_at).to eq at(19, 10)
  end

  it "reminds at the due time where there is no working time until then" do
    found = described_class.of(hours, at(17, 10), at(18, 10)) # Saturday to Sunday
    expect(found.remind_at).to eq at(18, 10)
  end

  it "stands in order, whatever the hours: asked, reminded, due, told to the leads" do
    minutes = PropCheck::Generators.choose(0..20_000)
    PropCheck.forall(minutes, PropCheck::Generators.choose(1..20_000)) do |from, length|
      asked = Time.utc(2026, 10, 1) + (from * 60)
      due = asked + (length * 60)
      found = described_class.of(hours, asked, due)
      raise [asked, due, found].inspect unless found.remind_at.between?(asked, due) && found.escalate_at > due
    end
  end
end
