# frozen_string_literal: true

RSpec.describe AskFirst::Core::Media::Renditions do
  def picture(id, width, height) = { id: id, kind: "picture", width: width, height: height }

  let(:rules) { AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [2, 1]], "max_side" => 1600 }) }

  it "cuts and sizes a picture by its network, and leaves a film and a document as they are" do
    rows = [
      picture("a", 1080, 1920),
      { id: "b", kind: "video", mime: "video/mp4", width: 1920, height: 1080, duration_ms: 9_000 },
      { id: "c", kind: "document", mime: "application/pdf", width: 595, height: 842 }
    ]
    expect(described_class.specs(rows, rules, {})).to eq [
         { "crop" => [0, 285, 1080, 1350], "size" => [1080, 1350], "mime" => "image/jpeg" },
         { "kind" => "video", "mime" => "video/mp4", "size" => [1920, 1080] },
         { "kind" => "document", "mime" => "application/pdf", "size" => [595, 842] }
       ]
  end

  it "frames each picture as somebody framed it" do
    specs =
      described_class.specs(
        [picture("a", 1000, 1000), picture("b", 1000, 1000)],
        rules,
        { "b" => { "zoom" => 200, "focus" => [0, 0] } }
      )
    expect(specs.map { |spec| spec["crop"] }).to eq [[0, 0, 1000, 1000], [0, 0, 500, 500]]
  end

  it "gives a set the shape of its first picture only where the network wants one shape" do
    rows = [picture("a", 800, 1000), picture("b", 1500, 1000)]
    expect(described_class.specs(rows, rules, {}).map { |spec| spec["crop"] }).to eq [
         [0, 0, 800, 1000],
         [0, 0, 1500, 1000]
       ]
    expect(
      described_class.specs(rows, rules.dup.tap { |all| all.one_shape = true }, {}).map { |spec| spec["crop"] }
    ).to eq [[0, 0, 800, 1000], [350, 0, 800, 1000]]
  end

  it "takes the shape from the first picture, though a film stands before it" do
    rows = [
      { id: "v", kind: "video", mime: "video/mp4", width: 100, height: 900 },
      picture("a", 1000, 1000),
      picture("b", 1500, 1000)
    ]
    expect(described_class.specs(rows, rules.dup.tap { |all| all.one_shape = true }, {}).last["crop"]).to eq [
         250,
         0,
         1000,
         1000
       ]
  end

  # The picture of a link card: from square to twice as wide as high, 1,200 pixels at most. Common practice, no source.
  it "cuts a link card's picture between a square and two to one" do
    expect(described_class.link_card({ width: 1000, height: 2000 })).to eq(
      "crop" => [0, 500, 1000, 1000],
      "size" => [1000, 1000],
      "mime" => "image/jpeg"
    )
    expect(described_class.link_card({ width: 4000, height: 1000 })).to eq(
      "crop" => [1000, 0, 2000, 1000],
      "size" => [1200, 600],
      "mime" => "image/jpeg"
    )
    expect(described_class.link_card({ width: 1500, height: 1000 })["crop"]).to eq [0, 0, 1500, 1000]
    expect(described_class.link_card({ width: 1200, height: 1200 })["size"]).to eq [1200, 1200]
  end
end
