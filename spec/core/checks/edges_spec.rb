# frozen_string_literal: true

# Every check at its edge: the last that is let through, the first that is not, and the sentence that is read then.
# Limits are the card's; windows and shares without a source are common practice.
checks = AskFirst::Core::Checks

RSpec.describe checks::PostChecks do
  let(:card) do
    {
      "name" => "Vitrine",
      "text" => {
        "rule" => "graphemes",
        "limit" => 10
      },
      "hashtags" => {
        "most" => 2
      },
      "first_comment" => {
        "limit" => 5
      },
      "tagged" => {
        "most" => 2
      },
      "media" => {
        "needed" => false,
        "kinds" => %w[picture video],
        "most" => 2,
        "seconds" => [5, 60],
        "description" => 8
      }
    }
  end

  def said(text: "Fog", media: [], **more)
    described_class
      .call({ "text" => text, "media" => media }.merge(more.transform_keys(&:to_s)), card_of(card))
      .map { |finding| [finding.level, finding.part, finding.sentence] }
  end

  def picture(words = "A boat") = { "digest" => "d", "description" => words }
  def video(length) = picture.merge("kind" => "video", "length" => length)

  it "a text as long as its limit goes out, one longer does not" do
    expect(said(text: "x" * 10)).to eq []
    expect(said(text: "x" * 11)).to eq [["fault", "text", "1 over the limit of 10."]]
    expect(said(text: "👩‍👩‍👧" * 10)).to eq [["warning", "text", "10 emoji in a row are read out one by one."]]
  end

  it "a picture alone says something; white space does not" do
    expect(said(text: "", media: [picture])).to eq []
    expect(said(text: " \n\t")).to eq [["fault", "text", "There is no text and no picture yet."]]
  end

  it "hashtags are counted to the card's number" do
    expect(said(text: "#a #b")).to eq []
    expect(said(text: "#a #b #c")).to eq [["fault", "text", "3 hashtags; at most 2 are taken."]]
    card.delete("hashtags")
    expect(said(text: "#a #b #c")).to eq []
  end

  it "a hashtag twice is named, each one that is" do
    card["hashtags"]["most"] = 9
    card["text"]["limit"] = 90
    expect(said(text: "#fog #Fog")).to eq [["warning", "text", "#fog is there twice."]]
    expect(said(text: "#fog #Fog #sea #SEA").map(&:last)).to eq ["#fog, #sea are there twice."]
  end

  it "styled letters, emoji in a row and invisible characters are counted" do
    card["text"]["limit"] = 90
    expect(said(text: "𝗡𝗲𝘄 boat").map(&:last)).to eq [
         "3 letters only look styled; a screen reader spells them out or leaves them out."
       ]
    expect(said(text: "🚢🚢🚢")).to eq []
    expect(said(text: "🚢🚢🚢🚢").map(&:last)).to eq ["4 emoji in a row are read out one by one."]
    expect(said(text: "F\u200Bog").map(&:last)).to eq [
         "1 invisible character counts here, pasted along with something."
       ]
    expect(said(text: "F\u200Bo\u200Bg").map(&:last)).to eq [
         "2 invisible characters count here, pasted along with something."
       ]
  end

  it "a first comment as long as its limit goes out, one longer does not; where none is taken there is none to be " \
       "too long" do
    expect(said(first_comment: "x" * 5)).to eq []
    expect(said(first_comment: "x" * 6)).to eq [
         ["fault", "first_comment", "The first comment is 1 over its limit of 5."]
       ]
    card.delete("first_comment")
    expect(said(first_comment: "x" * 6)).to eq []
  end

  it "as many are tagged as the card takes" do
    expect(said(tagged: [{}, {}])).to eq []
    expect(said(tagged: [{}, {}, {}])).to eq [["fault", "tagged", "3 are tagged; at most 2 are taken."]]
  end

  it "pictures are counted to the card's number; a video goes out alone" do
    expect(said(media: [picture, picture])).to eq []
    expect(said(media: [picture] * 3)).to eq [["fault", "media", "3 pictures; at most 2 are taken."]]
    expect(said(media: [video(9_000)])).to eq []
    expect(said(media: [video(9_000), picture])).to eq [
         ["fault", "media", "A video goes out alone; there are 2 files."]
       ]
  end

  it "a video is as long as the card's shortest and longest, to the millisecond" do
    expect([5_000, 60_000].flat_map { |length| said(media: [video(length)]) }).to eq []
    expect(said(media: [video(4_999)]).map(&:last)).to eq ["The video is 5.0 s long; 5 to 60 s are taken."]
    expect(said(media: [video(60_001)]).map(&:last)).to eq ["The video is 60.0 s long; 5 to 60 s are taken."]
    expect(said(media: [video(4_260)]).map(&:last)).to eq ["The video is 4.3 s long; 5 to 60 s are taken."]
    card["media"].delete("seconds")
    expect(said(media: [video(1)])).to eq []
  end

  it "a kind that is not taken is named once, with what is" do
    document = picture.merge("kind" => "document")
    expect(said(media: [document]).map(&:last)).to eq ["Documents are not taken here, only a picture or a video."]
    expect(said(media: [document, document]).map(&:last)).to include(
      "Documents are not taken here, only a picture or a video."
    ).and have_attributes(size: 2) # and that it goes out alone
    card["media"]["kinds"] = %w[picture]
    expect(said(media: [video(9_000)]).map(&:last)).to eq ["Videos are not taken here, only a picture."]
    card["media"]["kinds"] = %w[video]
    expect(said(media: [picture]).map(&:last)).to eq ["Pictures are not taken here, only a video."]
  end

  it "where a picture is needed, what is taken is said" do
    card["media"]["needed"] = true
    expect(said).to eq [["fault", "media", "A picture or a video is needed here, and there is none yet."]]
  end

  it "a description as long as its limit goes out, one longer does not; white space describes nothing" do
    expect(said(media: [picture("x" * 8)])).to eq []
    expect(said(media: [picture("x" * 9), picture])).to eq [
         ["fault", "descriptions", "A description is 1 over its limit of 8."]
       ]
    expect(said(media: [picture("👩‍👩‍👧" * 8)])).to eq []
    card["media"].delete("description")
    expect(said(media: [picture("x" * 900)])).to eq []
  end

  it "what has no description is named by its kind, and counted among others" do
    expect(said(media: [picture(" ")])).to eq [
         ["warning", "descriptions", "The picture has no description for who cannot see it."]
       ]
    expect(said(media: [video(9_000).merge("description" => nil)]).map(&:last)).to eq [
         "The video has no description for who cannot see it."
       ]
    expect(said(media: [picture, picture("")]).map(&:last)).to eq ["1 of 2 pictures without a description."]
    expect(
      said(media: [picture(""), video(9_000).merge("description" => "")]).map(&:last)
    ).to include "2 of 2 files without a description."
  end
end

RSpec.describe checks::FormatChecks do
  card = { "name" => "Vitrine", "formats" => %w[picture pictures link], "media" => { "most" => 9 } }

  def said(format, card, files: 0, link: nil)
    described_class
      .call({ "format" => format, "media" => [{}] * files, "link" => link }, card_of(card))
      .map { |finding| [finding.part, finding.sentence] }
  end

  it "says what is missing of a format, in so many words" do
    expect(said("picture", card)).to eq [["media", "One picture needs a picture, and there is none yet."]]
    expect(said("pictures", card)).to eq [["media", "Several pictures are chosen, and there is none."]]
    expect(said("pictures", card, files: 1)).to eq [["media", "Several pictures are chosen, and there is one."]]
    expect(said("pictures", card, files: 2)).to eq []
    expect(said("link", card)).to eq [["link", "A link with its card needs its address."]]
    expect(said("link", card, link: "https://a.example")).to eq []
  end

  it "says which format is not taken, and by whom; no format is none that could be refused" do
    expect(said("document", card)).to eq [["format", "Vitrine takes no document."]]
    expect(said("text", card.except("name"))).to eq [["format", "This network takes no text alone."]]
    expect([nil, "poem"].flat_map { |format| said(format, card) }).to eq []
  end
end

RSpec.describe checks::LeftOut do
  let(:book) { AskFirst::Core::Posts::Mentions::Book.new([{ name: "Per", network: "Ticker", spelling: "@per" }]) }
  let(:place) do
    AskFirst::Core::Posts::Request::Place.new(
      account: "a",
      network: "Ticker",
      card: card_of({ "tagged" => { "most" => 3 }, "call_to_action" => { "kinds" => ["Call us"] } }),
      book: book
    )
  end

  def said(values)
    parts = AskFirst::Core::Posts::Parts.resolve(values, {})
    described_class
      .call(parts, AskFirst::Core::Posts::Request.build(parts, place), place)
      .map { |finding| [finding.part, finding.sentence] }
  end

  it "names those without a spelling, out of text and first comment, each once" do
    expect(said("text" => "@[Per] and @[Odile]")).to eq [
         ["text", "Odile has no spelling for Ticker; the plain name goes out."]
       ]
    expect(said("text" => "@[Odile] @[Odile]", "first_comment" => "@[The Pilot]")).to eq [
         ["text", "Odile and The Pilot have no spelling for Ticker; the plain name goes out."]
       ]
  end

  it "names those who cannot be tagged, each once, and nobody who stands on a file that is not in the post" do
    spot = { "media" => "m", "x" => 1, "y" => 1 }
    tags = %w[Per Odile Odile].map { |name| spot.merge("name" => name) }
    expect(said("media" => ["m"], "tagged" => tags)).to eq [
         ["tagged", "Odile cannot be tagged: no spelling for Ticker."]
       ]
    expect(said("media" => [], "tagged" => tags)).to eq []
  end

  it "counts the files that a format leaves out" do
    expect(said("media" => %w[a b c], "format" => "text")).to eq [
         ["format", "3 of 3 files do not go out in this format; they stay with the post."]
       ]
    expect(said("media" => %w[a b c], "format" => "picture")).to eq [
         ["format", "2 of 3 files do not go out in this format; they stay with the post."]
       ]
    expect(said("media" => ["a"], "format" => "picture")).to eq []
    expect(said("media" => %w[a b])).to eq []
  end

  it "names the call that is not to be had" do
    expect(said("call_to_action" => "Book now")).to eq [
         ["call_to_action", "There is no “Book now” here, so none is shown."]
       ]
  end
end

RSpec.describe checks::LinkChecks do
  def said(address, state, note = "")
    described_class.call({ "text" => "", "link" => address }, { address => { state: state, note: note } }).map(
      &:sentence
    )
  end

  it "says in its words how each dead link is dead" do
    expect(said("https://a.example/x?y=1", "gone", "404")).to eq ["a.example/x is not there any more (404)."]
    expect(said("http://a.example/x", "broken", "500")).to eq ["a.example/x answers with a fault (500)."]
    expect(said("https://a.example/x", "silent", nil)).to eq ["a.example/x does not answer."]
    expect(said("https://a.example/x", "fine")).to eq []
    expect(described_class.call({ "text" => "", "link" => "https://a.example" }, {})).to eq [] # not looked at yet
  end

  it "shortens an address of more than sixty characters" do
    sixty = "a.example/#{"x" * 50}"
    expect(said("https://#{sixty}", "silent")).to eq ["#{sixty} does not answer."]
    expect(said("https://#{sixty}y", "silent")).to eq ["#{sixty[0, 59]}… does not answer."]
  end

  it "finds no address where there is none" do
    expect(described_class.addresses({ "text" => "Fog", "link" => nil, "first_comment" => nil })).to eq []
  end
end

RSpec.describe checks::OneShape do
  def said(width, height, crop)
    described_class.call(
      [described_class::Picture.new(number: 1, width: width, height: height, crop: crop, framed: false)],
      "Vitrine"
    ).map(&:sentence)
  end

  it "speaks of a cut from one twentieth on (common practice, no source)" do
    expect(said(1000, 1000, [0, 0, 951, 1000])).to eq []
    expect(said(1000, 1000, [0, 0, 950, 1000])).to eq [
         "Picture 1 is 1:1; Vitrine cuts it to 19:20, which removes 5 % of its width."
       ]
  end

  # The shapes that the trade names: common practice, no source.
  {
    [1080, 1920] => "9:16",
    [1920, 1080] => "16:9",
    [1080, 1350] => "4:5",
    [1080, 1080] => "1:1",
    [1500, 1000] => "3:2",
    [4000, 3000] => "4:3",
    [1081, 1920] => "9:16",
    [1366, 768] => "16:9",
    [640, 400] => "8:5",
    [1080, 608] => "16:9",
    [2100, 900] => "7:3",
    [1000, 17] => "1000:17"
  }.each do |(width, height), shape|
    it("calls #{width} × #{height} #{shape}") do
      expect(said(width, height, [0, 0, width, height / 2]).first).to start_with "Picture 1 is #{shape};"
    end
  end
end

RSpec.describe checks::Neighbours do
  words = "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight."
  noon = Time.utc(2026, 10, 15, 12)

  def showing(channel, text, at, post: "q", subject: "Tide")
    described_class::Showing.new(
      post_id: post,
      subject: subject,
      channel_id: channel,
      channel: channel.capitalize,
      text: text,
      at: at
    )
  end

  define_method(:said) do |one, own: [one], others: []|
    described_class
      .call(one, own, others, ->(at) { at.strftime("%-d %B") })
      .map { |finding| [finding.code, finding.sentence] }
  end

  let(:one) { showing("ticker", words, noon, post: "p", subject: "Fog") }

  it "a flood is told of up to a quarter of an hour, not at it" do
    expect(said(one, own: [one, showing("vitrine", words, noon + 899)])).to eq [
         [
           "flooding",
           "Nearly the same words go out on Ticker and Vitrine within 15 minutes. Give them times of their own, or " \
             "words."
         ]
       ]
    expect(said(one, own: [one, showing("vitrine", words, noon + 900)])).to eq []
    expect(said(one, own: [one, showing("vitrine", words, noon + 60)]).first.last).to include "within a minute."
    expect(said(one, own: [one, showing("vitrine", words, noon + 59)]).first.last).to include "in the same minute."
  end

  it "a clash is told of up to a quarter of an hour, before and after, the nearest first" do
    others = [
      showing("ticker", "Low tide", noon - 600, subject: "Far"),
      showing("ticker", "High tide", noon + 60, subject: "Near")
    ]
    expect(said(one, others: others)).to eq [["clash", "“Near” goes out here a minute after."]]
    expect(said(one, others: others.first(1))).to eq [["clash", "“Far” goes out here 10 minutes before."]]
    expect(said(one, others: [showing("ticker", "Low tide", noon + 899)])).to eq [
         ["clash", "“Tide” goes out here 15 minutes after."]
       ]
    expect(
      said(one, others: [showing("ticker", "Low tide", noon + 900), showing("ticker", "Low tide", noon - 900)])
    ).to eq []
    expect(said(one, others: [showing("vitrine", "Low tide", noon)])).to eq []
  end

  it "of several that say the same elsewhere the nearest is named" do
    others = [
      showing("vitrine", words, noon + 840, subject: "Far"),
      showing("commons", words, noon - 120, subject: "Near")
    ]
    expect(said(one, others: others)).to eq [
         ["flooding_nearby", "“Near” says nearly the same on Commons 2 minutes before."]
       ]
  end

  it "a repeat is told of for thirty days to the second, and the one that is most alike is named" do
    less = showing("ticker", words.sub("guess", "hurry"), noon - 86_400, subject: "Less alike")
    more = showing("ticker", words, noon - (30 * 86_400), subject: "More alike")
    expect(said(one, others: [less, more])).to eq [
         ["repeat", "100 % the same as “More alike”, which is here on 15 September."]
       ]
    expect(said(one, others: [showing("ticker", words, noon - (30 * 86_400) - 1)])).to eq []
    expect(said(one, others: [showing("ticker", words, noon + (30 * 86_400))]).map(&:first)).to eq ["repeat"]
  end

  it "three fifths of the runs shared are alike, less are not" do
    alike = "a b c d e f g" # 5 runs of three
    expect(
      said(showing("ticker", alike, noon, post: "p"), others: [showing("ticker", "a b c d e", noon - 86_400)])
    ).to eq [["repeat", "60 % the same as “Tide”, which is here on 14 October."]]
    expect(
      said(showing("ticker", "#{alike} h", noon, post: "p"), others: [showing("ticker", "a b c d e", noon - 86_400)])
    ).to eq []
  end
end

RSpec.describe checks::Mends do
  finding = ->(code) { checks::PostChecks::Finding.new(code: code) }
  spread = [{ channel_id: "c", name: "Vitrine", wall: "2026-10-15T07:50" }]

  it "offers to spread out where times are too close, and a time of its own where there is no room" do
    described_class::SPREADS.each do |code|
      expect(described_class.for(finding.call(code), {}, {}, spread: spread)).to eq(words: "spread out", times: spread)
      expect(described_class.for(finding.call(code), {}, {}, spread: [])).to eq(
        words: "give it its own time",
        show: "time"
      )
    end
    expect(described_class.for(finding.call("hashtag_doubled"), { "text" => "#a #A" }, {}, spread: spread)).to include(
      part: "text"
    )
  end

  it "offers no mend that would change nothing" do
    expect(described_class.for(finding.call("hidden_characters"), { "text" => "Fog" }, {})).to be_nil
    expect(described_class.for(finding.call("format_not_taken"), { "format" => nil }, {})).to be_nil
    expect(described_class.for(finding.call("format_not_taken"), { "format" => "story" }, {})).to eq(
      words: "make it automatic",
      part: "format",
      value: nil
    )
  end
end

RSpec.describe checks::PlanChecks do
  it "names the day off, and each end that is over, on the day on which it goes out" do
    on = Date.new(2026, 12, 25)
    said =
      described_class.call(
        "Half price until 12 December, soup until 24 December, tea until 25 December",
        on,
        { on => "Christmas Day" }
      )
    expect(said.map { |one| [one.code, one.part, one.sentence] }).to eq [
         ["end_is_over", "text", "“until 12 December” is over on 25 December, when it goes out."],
         ["end_is_over", "text", "“until 24 December” is over on 25 December, when it goes out."],
         ["day_off", "time", "Friday 25 December is a day off there: Christmas Day."]
       ]
    expect(described_class.call("until 12 December", nil, { nil => "x" })).to eq []
  end
end
