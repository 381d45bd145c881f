# frozen_string_literal: true

checks = AskFirst::Core::Checks

# Source of the form: Unicode UAX #31, extended hashtag identifiers (from memory). The rest: common practice, no source.
RSpec.describe checks::Hashtags do
  {
    "Late boat #ferry and #night-boat." => %w[ferry night-boat],
    "#Quillmere, #ferry! (#river)" => %w[Quillmere ferry river],
    "＃水辺 and ﹟fähre" => %w[水辺 fähre],
    "Moon #🌙 and #moon🌙night" => %w[🌙 moon🌙night],
    "No tag: C#, a#b, &#38;, # alone, ##" => [],
    "A link https://quillmere.example/winter#lamp is none" => [],
    "Tags#stuck to a word" => [],
    "#winter#night" => %w[winter],
    "Ends on a dash #ferry-" => %w[ferry],
    "#7 and #7_20" => %w[7 7_20],
    "#नमस्ते #Ελλάδα" => %w[नमस्ते Ελλάδα]
  }.each do |text, tags|
    it("in #{text.inspect} finds #{tags.inspect}") { expect(described_class.find(text)).to eq tags }
  end

  it "finds what comes again, whatever its case or width" do
    expect(described_class.doubled("#Ferry #river #ferry #FERRY")).to eq ["Ferry"]
    expect(described_class.doubled("#straße #STRASSE")).to eq ["straße"]
    expect(described_class.doubled("#one #two")).to eq []
  end
end

RSpec.describe checks::ReadAloud do
  it "finds letters that only look styled, and no others" do
    expect(described_class.styled("𝗡𝗲𝘄 boat")).to eq 3
    expect(described_class.styled("New boat, naïve café, Ελλάδα, ½, ™")).to eq 0
  end

  it "counts the longest run of emoji, each as people see it" do
    expect(described_class.longest_emoji_run("🚢🚢🚢 and 👩‍👩‍👧‍👦 🇵🇹 🌙✨")).to eq 4
    expect(described_class.longest_emoji_run("No emoji, 7:20 and #7")).to eq 0
  end
end

RSpec.describe checks::DatesInText do
  on = Date.new(2026, 10, 14)
  {
    "Half price until 12 October." => ["2026-10-12"],
    "Half price until Oct 12!" => ["2026-10-12"],
    "Offer ends on 12th of October" => ["2026-10-12"],
    "Book by Friday, 16 October" => ["2026-10-16"],
    "Until 12.10.2026" => ["2026-10-12"],
    "until 2026-10-12" => ["2026-10-12"],
    "until 3 January" => ["2027-01-03"],
    "until 30 December 2025" => ["2025-12-30"],
    "Last day is 1 November, ends 2 November" => %w[2026-11-01 2026-11-02],
    "until 31 February" => [],
    "until 3/4" => [],
    "On 12 October we sail" => [],
    "until further notice" => [],
    "March on until May" => []
  }.each do |text, dates|
    it("in #{text.inspect} reads #{dates.inspect}") do
      expect(described_class.ends(text, on).map { |found| found.date.iso8601 }).to eq dates
    end
  end

  # A day without a year lies ahead, unless it passed within four months (common practice, no source): an offer of the
  # old year on a post of the new one is over, and the other way round it is not.
  {
    "2026-12-30" => ["until 2 January", "2027-01-02"],
    "2027-01-02" => ["until 31 December", "2026-12-31"],
    "2026-06-30" => ["until 30 December", "2026-12-30"],
    "2026-07-02" => ["until 2 January", "2027-01-02"],
    "2026-05-01" => ["until 1 January", "2026-01-01"],
    "2026-05-02" => ["until 1 January", "2027-01-01"],
    "2026-07-01" => ["until 31 December", "2026-12-31"],
    "2027-12-01" => ["until 29 February", "2028-02-29"]
  }.each do |day, (text, read)|
    it("on #{day} reads #{text.inspect} as #{read}") do
      expect(described_class.ends(text, Date.parse(day)).map { |found| found.date.iso8601 }).to eq [read]
    end
  end

  it "gives the words as they stand, and the days in the order of time" do
    found = described_class.ends("Ends 2 Nov. Open until 1 November.", on)
    expect(found.map { |one| [one.date.day, one.words] }).to eq [[1, "until 1 November"], [2, "Ends 2 Nov"]]
    expect(
      described_class
        .ends("Last day is 20.10.2026, book by 2026-10-18, closes on Oct 19", on)
        .map { |one| one.date.day }
    ).to eq [18, 19, 20]
  end

  it "reads every way in which people say an end" do
    [
      "till 12 Oct",
      "by Oct 12",
      "before 12 October",
      "through October 12",
      "end on 12 Oct",
      "ends 12 Oct",
      "close on 12 Oct",
      "closes 12 Oct",
      "until Mon, 12 Oct",
      "until the 12th of October",
      "until Monday 12 October",
      "UNTIL 12 OCTOBER",
      "until Sept 12",
      "until Sep. 12"
    ].each { |text| expect([text, described_class.ends(text, on).map { |found| found.date.day }]).to eq [text, [12]] }
  end

  it "reads no month as another: May is a month and a word, Mar is no Martha" do
    ["until 12 Martians left", "by 3 mayors", "until 12 Octopuses"].each do |text|
      expect([text, described_class.ends(text, on).map(&:words)]).to eq [text, []]
    end
  end

  it "is over when the day has passed, not on the day itself" do
    expect(described_class.over("until 14 October", on)).to be_empty
    expect(described_class.over("until 13 October", on).map(&:words)).to eq ["until 13 October"]
  end

  # Against Ruby's own calendar, which reads the same words
  it "reads every day of a year as Date.parse does" do
    (Date.new(2027, 1, 1)..Date.new(2027, 12, 31)).each do |day|
      ["until #{day.strftime("%-d %B %Y")}", "until #{day.strftime("%b %-d, %Y")}"].each do |text|
        expect(described_class.ends(text, on).map(&:date)).to eq [Date.parse(text.delete_prefix("until "))]
      end
    end
  end
end

RSpec.describe checks::PlanChecks do
  def codes(text, on, days_off = {}) =
    described_class.call(text, on, days_off).map { |finding| [finding.level, finding.code, finding.sentence] }

  it "warns of an offer that is over by the day on which it goes out" do
    expect(codes("Half price until 12 October.", Date.new(2026, 10, 14))).to eq [
         ["warning", "end_is_over", "“until 12 October” is over on 14 October, when it goes out."]
       ]
    expect(codes("Half price until 12 October.", Date.new(2026, 10, 12))).to eq []
  end

  it "warns of a day off of the client, by its name" do
    expect(codes("Fog", Date.new(2026, 12, 25), { Date.new(2026, 12, 25) => "Natal" })).to eq [
         ["warning", "day_off", "Friday 25 December is a day off there: Natal."]
       ]
  end

  it "says nothing without a planned time" do
    expect(codes("until 12 October 2020", nil)).to eq []
  end
end
