# frozen_string_literal: true

# Quarter hours: common practice, no source. Working hours of the invented ferry company.
RSpec.describe AskFirst::Core::Signoff::Due do
  let(:hours) do
    week = %w[1 2 3 4 5].to_h { |day| [day, [%w[09:00 18:00]]] }
    AskFirst::Core::Plan::WorkingTime.new(zone: "Europe/Lisbon", week: week)
  end

  def lisbon(text) = Time.iso8601("#{text}:00+01:00")

  it "two hours from a Wednesday morning is the same morning, at a quarter hour" do
    expect(described_class.after(hours, lisbon("2026-10-14T10:20"), 2)).to eq lisbon("2026-10-14T12:30")
    expect(described_class.after(hours, lisbon("2026-10-14T10:15"), 2)).to eq lisbon("2026-10-14T12:15")
  end

  it "hours go on counting when the client works again: an evening, a weekend" do
    expect(described_class.after(hours, lisbon("2026-10-14T17:10"), 2)).to eq lisbon("2026-10-15T10:15")
    expect(described_class.after(hours, lisbon("2026-10-16T17:00"), 4)).to eq lisbon("2026-10-19T12:00")
  end

  it "offers the route's own time among others, the soonest first and none twice" do
    choices = described_class.choices(hours, lisbon("2026-10-14T10:20"), 6)
    expect(choices.map { |one| one[:hours] }).to eq [2, 4, 6, 8, 16, 24, 40]
    expect(choices.map { |one| one[:at] }).to eq choices.map { |one| one[:at] }.sort
    expect(choices.map { |one| one[:at].min % 15 }.uniq).to eq [0]
    expect(described_class.choices(hours, lisbon("2026-10-14T10:20"), 8).map { |one| one[:hours] }).to eq [
         2,
         4,
         8,
         16,
         24,
         40
       ]
  end
end
