# frozen_string_literal: true

# The bounds are ours; common practice, no source.
RSpec.describe AskFirst::Core::Plan::PlanLink do
  let(:now) { Time.utc(2026, 10, 14, 9) }

  def read(**said) = described_class.read(name: "For Odile", weeks: 4, days: 30, now: now, **said)

  def code(**said)
    read(**said)
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "ends so many days after it was made" do
    expect(read.ends_at).to eq Time.utc(2026, 11, 13, 9)
    expect(read(days: 1).ends_at).to eq Time.utc(2026, 10, 15, 9)
  end

  it "is for somebody, shows a week to half a year, and lasts a day to a year" do
    expect(read(name: " For  Odile ").name).to eq "For Odile"
    expect(code(name: " ")).to eq %w[name_missing name]
    [0, 27, nil, "4", 2.5].each { |weeks| expect(code(weeks: weeks)).to eq %w[bad_weeks weeks] }
    [0, 366, nil, "30", 2.5].each { |days| expect(code(days: days)).to eq %w[bad_days days] }
    [1, 26].each { |weeks| expect(read(weeks: weeks).weeks).to eq weeks }
    [1, 365].each { |days| expect(code(days: days)).to be_nil }
  end

  it "works until its end, and not once it was revoked" do
    works = ->(ends_at, revoked_at = nil) { described_class.works?(ends_at: ends_at, revoked_at: revoked_at, now: now) }
    expect([works.call(now + 1), works.call(now), works.call(now - 1)]).to eq [true, false, false]
    expect(works.call(now + 1, now - 60)).to be false
  end
end
