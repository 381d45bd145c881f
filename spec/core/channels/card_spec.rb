# frozen_string_literal: true

# What a network says that it takes; the shape is ours (docs: the network card), the invented networks' cards are
# examples of it.
require_relative "../../../stand_ins/cards"

RSpec.describe AskFirst::Core::Channels::Card do
  let(:good) do
    {
      "name" => "Ticker",
      "initials" => "Ti",
      "kind" => "short text",
      "link_card" => false,
      "text" => {
        "rule" => "graphemes",
        "limit" => 300
      },
      "media" => {
        "needed" => false,
        "most" => 4,
        "kinds" => %w[picture video],
        "max_side" => 2048
      },
      "formats" => %w[text picture poem]
    }
  end

  def why(**changes)
    card = JSON.parse(JSON.generate(good)).merge(changes.transform_keys(&:to_s))
    described_class.parse(card) && nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field, e.message[/: (.*)\.\z/, 1]]
  end

  def said(...) = why(...)&.last

  it "is a value: equal cards are equal, kept and read again too, and nothing in it changes" do
    StandIns::CARDS.each_value do |hash|
      card = described_class.parse(hash)
      expect(card).to eq described_class.read(JSON.parse(JSON.generate(card.to_json_hash)))
      expect(card).to be_frozen
    end
    expect(described_class.parse(good)).not_to eq described_class.parse(good.merge("link_card" => true))
  end

  it "names what it takes, and leaves out what is not known here" do
    expect(described_class.parse(good)).to have_attributes(
      formats: %w[text picture],
      by_hand: [],
      tagged: nil,
      settles_within: 0,
      finds_by_id: false
    )
    expect(described_class.parse(good).media).to have_attributes(most: 4, max_side: 2048, ratio: nil)
  end

  it "with a counting rule that is not known here is refused with a sentence, at the field" do
    expect(why(text: { "rule" => "feet", "limit" => 3 })).to eq [
         "bad_card",
         "network",
         "its counting rule “feet” is not known here"
       ]
  end

  # each with what is wrong in it
  {
    { text: nil } => "it does not say how text is counted",
    { text: { "rule" => "graphemes" } } => "its limit of text is not a number from 1 to 1000000",
    { text: { "rule" => "graphemes", "limit" => 0 } } => "its limit of text is not a number from 1 to 1000000",
    { text: { "rule" => "graphemes", "limit" => "300" } } => "its limit of text is not a number from 1 to 1000000",
    { text: { "rule" => "graphemes", "limit" => 300, "fold" => 301 } } => "its fold is not within its limit",
    {
      text: {
        "rule" => "weighted",
        "limit" => 300,
        "link" => 24,
        "emoji" => 2,
        "default" => 2
      }
    } =>
      "its weights of text are not complete",
    {
      text: {
        "rule" => "weighted",
        "limit" => 300,
        "link" => 24,
        "emoji" => 2,
        "default" => 2,
        "ranges" => [[9, 0, 1]]
      }
    } =>
      "its weights of text are not complete",
    { media: [] } => "it does not say what files it takes",
    { media: { "most" => 101, "max_side" => 2048 } } => "its number of files is not one from 0 to 100",
    {
      media: {
        "most" => 4,
        "max_side" => 2048,
        "kinds" => %w[picture hologram]
      }
    } =>
      "it takes kinds of file that are not known here",
    {
      media: {
        "most" => 4,
        "max_side" => 2048,
        "ratio" => [[4, 5], [0, 1]]
      }
    } =>
      "its shapes of pictures are not two, the narrowest first",
    {
      media: {
        "most" => 4,
        "max_side" => 2048,
        "ratio" => [[2, 1], [4, 5]]
      }
    } =>
      "its shapes of pictures are not two, the narrowest first",
    { media: { "most" => 4, "max_side" => 99 } } => "its longest side is not a number from 100 to 20000",
    {
      media: {
        "most" => 4,
        "max_side" => 2048,
        "seconds" => [60, 5]
      }
    } =>
      "its lengths of videos are not two, the shortest first",
    { formats: %w[poem] } => "it takes no format that is known here",
    { hashtags: { "most" => -1 } } => "its number of hashtags is not one",
    { call_to_action: { "kinds" => [] } } => "its calls to action are not a list",
    { audience: "all" } => "its kinds of audience are not a list",
    { settles_within: 86_401 } => "its time to settle is not a number of seconds up to a day",
    { name: " " } => "it has no name",
    { initials: "Tick" } => "its initials are not one to three letters"
  }.each do |change, sentence|
    it "with #{JSON.generate(change)[0, 90]} is refused: #{sentence}" do
      expect(said(**change)).to eq sentence
    end
  end

  it "that is none is refused" do
    [nil, [], "x", 1].each do |nothing|
      expect { described_class.parse(nothing) }.to raise_error(AskFirst::Core::Invalid, /no list of rules/)
    end
  end

  it "that is good stays good at its edges" do
    expect(
      why(
        text: {
          "rule" => "graphemes",
          "limit" => 1,
          "fold" => 1
        },
        media: {
          "most" => 0,
          "max_side" => 100,
          "ratio" => [[4, 5], [4, 5]],
          "seconds" => [0, 0]
        },
        settles_within: 86_400
      )
    ).to be_nil
  end
end
