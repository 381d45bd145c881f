# frozen_string_literal: true

require "prop_check"

checks = AskFirst::Core::Checks

RSpec.describe checks::Similarity do
  # Broder (1997), section 2: the 4-shingling of (a, rose, is, a, rose, is, a, rose) is the set of three runs; here
  # with three words, where the same text gives (a, rose, is), (rose, is, a), (is, a, rose)
  it "takes each run of words once, as Broder's example does" do
    expect(described_class.shingles("a rose is a rose is a rose")).to eq ["a rose is", "rose is a", "is a rose"]
  end

  # worked by hand: {the boat waits, boat waits today} and {the boat waits, boat waits tonight} share one of three
  it "is the share of runs that both have" do
    expect(described_class.of("The boat waits today", "the boat waits tonight")).to be_within(1e-9).of(1 / 3r)
  end

  it "does not look at case, links, hashtags or punctuation" do
    expect(
      described_class.of("The 7:20 waits in FOG! #ferry https://quillmere.example/lamp", "the 7 20 waits, in fog")
    ).to eq 1.0
  end

  it "keeps a word with its apostrophe whole, and takes quotation marks off" do
    expect(described_class.words("It’s the ferry's 'late boat'")).to eq %w[it’s the ferry's late boat]
  end

  it "compares short texts whole, and what says nothing with nothing" do
    expect(
      [
        described_class.of("Low tide", "low tide"),
        described_class.of("Low tide", "High tide"),
        described_class.of("#ferry", "#ferry"),
        described_class.of("", "")
      ]
    ).to eq [1.0, 0.0, 0.0, 0.0]
  end

  it "is the same either way round, and 1 for itself, for any words" do
    words =
      PropCheck::Generators.array(
        PropCheck::Generators.one_of(*%w[boat fog pier lamp waits].map { |word| PropCheck::Generators.constant(word) })
      )
    PropCheck.forall(words, words) do |one, other|
      a = one.join(" ")
      b = other.join(" ")
      expect(described_class.of(a, b)).to eq described_class.of(b, a)
      expect(described_class.of(a, a)).to eq(one.empty? ? 0.0 : 1.0)
      expect(described_class.of(a, b)).to be_between(0, 1)
    end
  end
end

RSpec.describe checks::Neighbours do
  words = "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight."
  noon = Time.utc(2026, 10, 15, 12)
  day = ->(at) { at.strftime("%-d %B") }

  def showing(channel, text, at, post: "p", subject: "Fog days")
    described_class::Showing.new(
      post_id: post,
      subject: subject,
      channel_id: channel,
      channel: channel.capitalize,
      text: text,
      at: at
    )
  end

  define_method(:said) do |one, own: [], others: []|
    described_class.call(one, own, others, day).map { |finding| [finding.code, finding.sentence] }
  end

  it "the same words on all channels in one minute are one flood, said in the same words on each" do
    own = %w[ticker vitrine commons].map { |channel| showing(channel, words, noon) }
    sentence =
      "Nearly the same words go out on Ticker, Vitrine and Commons in the same minute. Give them times of their own, " \
        "or words."
    expect(own.map { |one| said(one, own: own) }).to all(eq([["flooding", sentence]]))
    close = [own.first, showing("vitrine", words, noon + 600)]
    expect(close.map { |one| said(one, own: close).first.last }.uniq).to eq [
         "Nearly the same words go out on Ticker and Vitrine within 10 minutes. Give them times of their own, or words."
       ]
  end

  it "7:30, 7:50 and 12:10 are no flood, nor are other words at the same time" do
    own = [
      showing("ticker", words, noon),
      showing("vitrine", words, noon + (20 * 60)),
      showing("commons", words, noon + (280 * 60))
    ]
    expect(own.flat_map { |one| said(one, own: own) }).to eq []
    other = [own.first, showing("vitrine", "Something else altogether about lamps and piers", noon)]
    expect(said(other.first, own: other)).to eq []
  end

  it "another post that says the same at the same time elsewhere is named" do
    one = showing("ticker", words, noon)
    expect(
      said(one, own: [one], others: [showing("vitrine", words, noon - 300, post: "q", subject: "Fog again")])
    ).to eq [["flooding_nearby", "“Fog again” says nearly the same on Vitrine 5 minutes before."]]
  end

  it "the same words on one channel again within 30 days are a repeat, named with its day" do
    one = showing("ticker", words, noon)
    # 21 words make 19 runs of three; one word changed changes three of them: 16 of 22 are shared
    earlier = showing("ticker", words.sub("guess", "hurry"), noon - (12 * 86_400), post: "q", subject: "Fog again")
    expect(said(one, others: [earlier])).to eq [["repeat", "72 % the same as “Fog again”, which is here on 3 October."]]
    expect(said(one, others: [showing("ticker", words, noon - (31 * 86_400), post: "q")])).to eq []
  end

  it "another post on the same channel within a quarter of an hour is a clash" do
    one = showing("ticker", words, noon)
    expect(said(one, others: [showing("ticker", "Low tide", noon - 300, post: "q", subject: "Tide")])).to eq [
         ["clash", "“Tide” goes out here 5 minutes before."]
       ]
    expect(said(one, others: [showing("ticker", "Low tide", noon, post: "q", subject: " ")])).to eq [
         ["clash", "“Untitled” goes out here in the same minute."]
       ]
    expect(said(one, others: [showing("ticker", "Low tide", noon + 900, post: "q")])).to eq []
  end

  it "without a planned time there is nothing around it" do
    expect(said(showing("ticker", words, nil), own: [showing("vitrine", words, noon)])).to eq []
  end
end
