# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::WallTime do
  def at(text, zone)
    described_class.parse(text, zone).at
  end

  # Source: RFC 5545, section 3.3.5, form #3.
  describe "a wall time that does not exist takes the offset before the gap" do
    it "Lisbon, 29 March 2026, 1:30" do
      expect(at("2026-03-29T01:30", "Europe/Lisbon")).to eq Time.utc(2026, 3, 29, 1, 30)
      expect(described_class.parse("2026-03-29T01:30", "Europe/Lisbon").kind).to eq :gap
    end

    it "Denver, 8 March 2026, 2:30" do
      expect(at("2026-03-08T02:30", "America/Denver")).to eq Time.utc(2026, 3, 8, 9, 30)
    end

    it "the RFC's own example: New York, 11 March 2007, 2:30 is 3:30 daylight time" do
      expect(at("2007-03-11T02:30", "America/New_York")).to eq at("2007-03-11T03:30", "America/New_York")
    end
  end

  describe "a wall time that occurs twice is the first" do
    it "Lisbon, 25 October 2026, 1:30" do
      expect(at("2026-10-25T01:30", "Europe/Lisbon")).to eq Time.utc(2026, 10, 25, 0, 30)
      expect(described_class.parse("2026-10-25T01:30", "Europe/Lisbon").kind).to eq :doubled
    end

    it "Denver, 1 November 2026, 1:30" do
      expect(at("2026-11-01T01:30", "America/Denver")).to eq Time.utc(2026, 11, 1, 7, 30)
    end

    it "the RFC's own example: New York, 4 November 2007, 1:30 is daylight time" do
      expect(at("2007-11-04T01:30", "America/New_York")).to eq Time.utc(2007, 11, 4, 5, 30)
    end
  end

  it "keeps the wall time and comes back from its instant" do
    %w[Europe/Lisbon America/Denver Australia/Melbourne Asia/Kathmandu].each do |zone|
      200.times do |n|
        instant = Time.utc(2026, 1, 1) + (n * 43 * 3_600)
        expect(described_class.at(instant, zone).at).to eq(instant).or(eq(instant - 3_600))
      end
    end
  end

  it "is said with its place" do
    instant = Time.utc(2026, 10, 15, 6, 30)
    said = %w[Europe/Lisbon America/New_York UTC].map { |zone| described_class.said(instant, zone) }
    expect(said).to eq ["Thu 15 Oct 2026, 7:30 Lisbon", "Thu 15 Oct 2026, 2:30 New York", "Thu 15 Oct 2026, 6:30 UTC"]
  end

  it "refuses days that no calendar has, instead of moving them" do
    %w[2026-02-30T10:00 2026-13-01T10:00 2026-10-15T24:00 2026-10-15 tomorrow].each do |text|
      expect { described_class.parse(text, "Europe/Lisbon") }.to raise_error(AskFirst::Core::Invalid) { |e|
        expect(e.code).to eq "bad_time"
      }
    end
  end

  it "refuses a zone that does not exist, and names it" do
    expect { described_class.parse("2026-10-15T07:30", "Europe/Quillmere") }.to raise_error(
      AskFirst::Core::Invalid,
      %r{Europe/Quillmere}
    )
  end

  it "is a value: equal when wall time and zone are" do
    one = described_class.parse("2026-10-15T07:30", "Europe/Lisbon")
    expect(one).to eq described_class.parse("2026-10-15T07:30:00", "Europe/Lisbon")
    expect(one).not_to eq described_class.parse("2026-10-15T07:30", "Europe/Berlin")
    expect(one).to be_frozen
  end
end
