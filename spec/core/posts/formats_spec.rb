# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Formats do
  let(:card) do
    {
      "name" => "Vitrine",
      "text" => {
        "rule" => "graphemes",
        "limit" => 100
      },
      "formats" => %w[picture pictures video],
      "media" => {
        "needed" => true,
        "kinds" => %w[picture video],
        "most" => 12,
        "seconds" => [5, 60]
      }
    }
  end

  def faults(format, *media, link: nil)
    request = { "text" => "Fog", "media" => media, "format" => format, "link" => link }
    AskFirst::Core::Checks::PostChecks.faults(request, card_of(card)).map(&:code)
  end

  def picture = { "digest" => "d", "description" => "A boat" }
  def video(length = 9_000) = picture.merge("kind" => "video", "length" => length)

  it "offers what the card names, and what its media rules let through where it names nothing" do
    expect(card_of(card).formats).to eq %w[picture pictures video]
    expect(card_of({ "link_card" => true, "media" => { "needed" => false, "most" => 4 } }).formats).to eq %w[
         text
         picture
         pictures
         link
       ]
    expect(card_of({ "media" => { "needed" => true, "kinds" => ["video"], "most" => 1 } }).formats).to eq %w[video]
  end

  # What each is made of: kinds of file, how many, whether words go along, whether it stands on a link. Common
  # practice, no source.
  [
    ["text", [], 0, 0, true, false],
    ["picture", %w[picture], 1, 1, true, false],
    ["pictures", %w[picture], 2, 1_000, true, false],
    ["video", %w[video], 1, 1, true, false],
    ["link", [], 0, 0, true, true],
    ["document", %w[document], 1, 1, true, false],
    ["story", %w[picture video], 1, 1, false, false]
  ].each do |name, kinds, least, most, text, link|
    it "a #{name} is #{least == most ? least : "#{least} or more"} of " \
         "#{kinds.empty? ? "no file" : kinds.join(" or ")}#{", without words" unless text}#{", with a link" if link}" do
      expect(described_class[name]).to have_attributes(kinds: kinds, least: least, most: most, text: text, link: link)
    end
  end

  it "are seven, and no name but theirs is one" do
    expect(described_class::TABLE.keys).to eq %w[text picture pictures video link document story]
    expect([nil, "", "poem", "Text"].map { |name| described_class[name] }).to eq [nil] * 4
  end

  it "asks for what a format needs" do
    expect(faults("picture")).to include "format_needs"
    expect(faults("pictures", picture)).to eq ["format_needs"]
    expect(faults("pictures", picture, picture)).to eq []
    expect(faults("video", video)).to eq []
  end

  it "stops a format that the network does not take" do
    expect(faults("document", picture)).to include "format_not_taken"
    expect(
      AskFirst::Core::Checks::FormatChecks.call({ "format" => "story", "media" => [] }, card_of(card)).first.sentence
    ).to eq "Vitrine takes no story."
  end

  it "asks for the address of a link" do
    link = card.merge("formats" => %w[link], "media" => card["media"].merge("needed" => false))
    expect(
      AskFirst::Core::Checks::PostChecks.faults(
        { "text" => "Fog", "media" => [], "format" => "link", "link" => nil },
        card_of(link)
      ).map(&:code)
    ).to eq ["link_missing"]
  end

  it "stops a video that is too short or too long, or that is not alone" do
    expect(faults(nil, video(4_900))).to eq ["wrong_length"]
    expect(faults(nil, video(60_001))).to eq ["wrong_length"]
    expect(faults(nil, video, picture)).to eq ["one_alone"]
  end

  it "uses what it is made of, in order, and leaves the rest with the post" do
    media = [%w[a video], %w[b picture], %w[c picture]]
    expect(described_class.used(described_class["picture"], media, &:last)).to eq [%w[b picture]]
    expect(described_class.used(described_class["text"], media, &:last)).to eq []
    expect(described_class.used(nil, media, &:last)).to eq media
  end
end
