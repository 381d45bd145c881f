# frozen_string_literal: true

RSpec.describe AskFirst::Core::Checks::Mends do
  def mend(code, parts, card = {})
    described_class.for(AskFirst::Core::Checks::PostChecks::Finding.new(code: code), parts, card_of(card))
  end

  it "takes the repeats of a hashtag out, and keeps the first" do
    expect(
      mend("hashtag_doubled", { "text" => "Fog #one, #two\n#One #three #ONE" })[:value]
    ).to eq "Fog #one, #two\n#three"
  end

  it "keeps as many hashtags as are taken, and no link is a hashtag" do
    expect(
      mend(
        "too_many_hashtags",
        { "text" => "https://a.example/#x #one #two #three" },
        { "hashtags" => { "most" => 2 } }
      )[
        :value
      ]
    ).to eq "https://a.example/#x #one #two"
  end

  it "takes invisible characters out, and leaves those that hold an emoji or a word of Persian together" do
    expect(
      mend(
        "hidden_characters",
        { "text" => "\uFEFFFog\u200B on\u00AD the \u{1F468}\u200D\u{1F467} \u0645\u06CC\u200C\u0634\u0648\u062F" }
      )[
        :value
      ]
    ).to eq "Fog on the \u{1F468}\u200D\u{1F467} \u0645\u06CC\u200C\u0634\u0648\u062F"
  end

  it "makes letters plain that only look styled" do
    expect(mend("styled_letters", { "text" => "𝗡𝗲𝘄 boat 𝟕" })[:value]).to eq "New boat 7"
  end

  it "keeps the first pictures where there are too many" do
    expect(mend("too_many_pictures", { "media" => %w[a b c] }, { "media" => { "most" => 2 } })).to eq(
      words: "keep the first 2",
      part: "media",
      value: %w[a b]
    )
  end

  it "goes to the place where something is mended by hand, and offers nothing where nothing helps in one click" do
    expect(mend("description_missing", {})).to eq(words: "describe", show: "descriptions")
    expect(mend("text_too_long", { "text" => "x" })).to be_nil
  end
end
