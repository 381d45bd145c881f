# frozen_string_literal: true

RSpec.describe "What does not go out, and is said" do
  let(:card) { { "tagged" => { "most" => 3 }, "call_to_action" => { "kinds" => ["Call us"] } } }
  let(:place) { AskFirst::Core::Posts::Request::Place.new(account: "a", network: "Ticker", card: card_of(card)) }

  def found(values)
    parts = AskFirst::Core::Posts::Parts.resolve(values, {})
    AskFirst::Core::Checks::LeftOut.call(parts, AskFirst::Core::Posts::Request.build(parts, place), place).map(&:code)
  end

  it("a mention without a spelling") { expect(found("text" => "With @[Per]")).to eq ["mention_unspelled"] }
  it("somebody tagged whom the network does not know") do
    expect(found("media" => ["m"], "tagged" => [{ "name" => "Per", "media" => "m", "x" => 1, "y" => 1 }])).to eq [
         "tag_unspelled"
       ]
  end
  it("a call to action that is not offered there") do
    expect(found("call_to_action" => "Book now")).to eq ["no_such_call"]
  end
  it("files that the format does not use") do
    expect(found("media" => %w[a b], "format" => "text")).to eq ["media_left_out"]
  end
  it("nothing, when all of it goes out") { expect(found("text" => "Fog", "call_to_action" => "Call us")).to eq [] }
end

RSpec.describe AskFirst::Core::Checks::OneShape do
  def picture(number, width, height, crop, framed: false)
    described_class::Picture.new(number: number, width: width, height: height, crop: crop, framed: framed)
  end

  it "says how much a network cuts of a picture, and of which side" do
    found = described_class.call([picture(1, 1000, 2000, [0, 375, 1000, 1250])], "Vitrine")
    expect(found.map(&:sentence)).to eq ["Picture 1 is 1:2; Vitrine cuts it to 4:5, which removes 38 % of its height."]
  end

  it "says it of the second picture of a set by the shape of the first" do
    found =
      described_class.call(
        [picture(1, 800, 1000, [0, 0, 800, 1000]), picture(2, 1500, 1000, [350, 0, 800, 1000])],
        "Vitrine"
      )
    expect(found.map(&:sentence)).to eq ["Picture 2 is 3:2, the first is 4:5. Vitrine cuts 47 % of its width."]
  end

  it "does not speak of what a person framed, nor of a sliver" do
    expect(described_class.call([picture(1, 1000, 2000, [0, 0, 1000, 1250], framed: true)], "Vitrine")).to eq []
    expect(described_class.call([picture(1, 1000, 1000, [0, 0, 960, 1000])], "Vitrine")).to eq []
  end
end

RSpec.describe AskFirst::Core::Checks::LinkChecks do
  it "finds every address that goes out, once" do
    request = {
      "text" => "See https://a.example/x and (https://b.example/y).",
      "link" => "https://a.example/x",
      "first_comment" => "https://c.example"
    }
    expect(described_class.addresses(request)).to eq %w[https://a.example/x https://b.example/y https://c.example]
  end

  it "warns of what was found dead, and of a private address" do
    request = { "text" => "https://a.example/x https://b.example https://c.example", "link" => nil }
    looks = {
      "https://a.example/x" => {
        state: "gone",
        note: "404"
      },
      "https://b.example" => {
        state: "private",
        note: ""
      },
      "https://c.example" => {
        state: "fine",
        note: ""
      }
    }
    expect(described_class.call(request, looks).map(&:sentence)).to eq [
         "a.example/x is not there any more (404).",
         "b.example leads to a private address, which readers cannot reach."
       ]
  end
end
