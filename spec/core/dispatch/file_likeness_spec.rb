# frozen_string_literal: true

RSpec.describe AskFirst::Core::Dispatch::FileLikeness do
  def difference(sent, there) = described_class.difference(sent, there)
  def picture(width, height, grey = 100) =
    { kind: "picture", width: width, height: height, greys: Array.new(72) { |at| grey + (at % 9) } }
  def film(width, height, length) = { kind: "video", width: width, height: height, duration_ms: length }

  it "a picture that was made smaller or saved with fewer bytes is the same" do
    expect(difference(picture(1080, 1350), picture(540, 675))).to be_nil
    expect(difference(picture(1080, 1350), picture(540, 674, 108))).to be_nil
  end

  it "one of another shape, or that is lighter all over by more than a sixteenth, is another one" do
    expect(difference(picture(1080, 1350), picture(1080, 1080))).to eq(
      "It has another shape there: 1080 × 1080 pixels where 1080 × 1350 were approved."
    )
    expect(difference(picture(1080, 1350), picture(1080, 1350, 116))).to be_nil
    expect(difference(picture(1080, 1350), picture(1080, 1350, 117))).to match(/Another picture/)
  end

  it "a film is known by its shape and its length, to a second" do
    expect(difference(film(1080, 1920, 15_000), film(720, 1280, 16_000))).to be_nil
    expect(difference(film(1080, 1920, 15_000), film(720, 1280, 13_900))).to eq(
      "It is 13.9 s long there where 15.0 s were approved."
    )
    expect(difference(film(1080, 1920, 15_000), film(1920, 1080, 15_000))).to match(/another shape/)
  end

  it "of a document the bytes are all that can be told, and one kind is no other" do
    sent = { kind: "document", bytes: 900 }
    expect(difference(sent, { kind: "document", bytes: 14 })).to match(/14 bytes .* 900/)
    expect(difference(picture(10, 10), film(10, 10, 1))).to eq "A video is there where a picture was approved."
  end
end
