# frozen_string_literal: true

RSpec.describe AskFirst::Core::Checks::PostChecks do
  let(:card) { { "text" => { "rule" => "graphemes", "limit" => 10 }, "media" => { "needed" => true, "most" => 1 } } }

  def codes(text: "fog", media: [{ "digest" => "d", "description" => "A ferry" }])
    described_class
      .call({ "text" => text, "media" => media }, card_of(card))
      .map { |finding| [finding.level, finding.code] }
  end

  it("finds nothing wrong with what fits") { expect(codes).to eq [] }
  it("stops what is over the limit") { expect(codes(text: "x" * 11)).to eq [%w[fault text_too_long]] }
  it("stops where a needed picture is missing") { expect(codes(media: [])).to eq [%w[fault picture_missing]] }
  it("stops more pictures than are taken") do
    expect(codes(media: [{ "description" => "a" }, { "description" => "b" }])).to eq [%w[fault too_many_pictures]]
  end
  it("warns of a picture without description, and does not stop it") do
    expect(codes(media: [{ "description" => " " }])).to eq [%w[warning description_missing]]
  end
  describe "the words" do
    let(:card) do
      {
        "text" => {
          "rule" => "graphemes",
          "limit" => 500
        },
        "hashtags" => {
          "most" => 2
        },
        "media" => {
          "needed" => false,
          "most" => 1
        }
      }
    end

    it("stops more hashtags than are taken") do
      expect(codes(text: "#one #two #three")).to eq [%w[fault too_many_hashtags]]
    end
    it("warns of one that is there twice") { expect(codes(text: "#one #One")).to eq [%w[warning hashtag_doubled]] }
    it("warns of letters that only look styled") { expect(codes(text: "𝗡𝗲𝘄 boat")).to eq [%w[warning styled_letters]] }
    it("warns of emoji in a long row") { expect(codes(text: "Boat 🚢🚢🚢🚢")).to eq [%w[warning emoji_run]] }
    it("lets plain words be") { expect(codes(text: "The 7:20 waits. #fog 🚢")).to eq [] }
  end

  it("stops an empty post") { expect(codes(text: " ", media: []).map(&:last)).to include "nothing_to_say" }

  it "says how much is over" do
    expect(
      described_class.faults({ "text" => "x" * 37, "media" => [{ "description" => "" }] }, card_of(card)).first.sentence
    ).to eq "27 over the limit of 10."
  end
end
