# frozen_string_literal: true

RSpec.describe AskFirst::Core::Channels::CardInWords do
  def said(hash) = described_class.of(AskFirst::Core::Channels::Card.read(hash))

  it "says what a network takes, in one order" do
    card = {
      "name" => "Vitrine",
      "initials" => "Vi",
      "text" => {
        "rule" => "utf16_units",
        "limit" => 2_200,
        "fold" => 125
      },
      "media" => {
        "needed" => true,
        "most" => 10,
        "kinds" => %w[picture video],
        "ratio" => [[4, 5], [191, 100]],
        "seconds" => [3, 60]
      },
      "hashtags" => {
        "most" => 30
      },
      "budget" => true
    }
    expect(said(card)).to include(
      "Text" => "at most 2,200",
      "Counted in" => "UTF-16 units, so that most emoji count two or more",
      "Folded after" => "125",
      "Files" => "1 to 10, pictures, videos",
      "Shape of a picture" => "4:5 to 191:100",
      "Length of a video" => "3 to 60 seconds",
      "Hashtags" => "at most 30",
      "Boost" => "yes",
      "Event" => nil
    )
    expect(said(card).keys).to eq described_class::LINES.keys
  end

  it "says nothing of what a network has not" do
    plain = said("name" => "Ticker", "initials" => "Ti", "text" => { "limit" => 300 })
    expect(plain.compact.keys).to eq ["Text", "Counted in", "Formats"]
  end
end
