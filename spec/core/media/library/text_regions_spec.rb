# frozen_string_literal: true

require "vips"

# Common practice, no source: the pictures are drawn here, and where their words are is known.
RSpec.describe AskFirst::Core::Media::TextRegions do
  let(:pictures) { AskFirst::Edge::Files::Pictures.new }

  def ground(shade: 90)
    up = Vips::Image.identity.resize(2.5, vscale: 1).embed(0, 0, 640, 1, extend: :copy).replicate(1, 480)
    ((up * 0.2) + shade).cast(:uchar)
  end

  def written(words, left, top, height)
    mask = Vips::Image.text(words, font: "DejaVu Sans Bold", dpi: (height * 5.4).round)
    room = mask.embed(left, top, 640, 480)
    [(room > 128).ifthenelse(250, ground).cast(:uchar), [left, top, mask.width, mask.height]]
  end

  def boxes(image) = described_class.boxes(pictures.edges(StringIO.new(image.jpegsave_buffer(Q: 92))))

  # share of the true box that is guessed, and of the guess that is true
  def overlap(guess, true_box)
    left, top, width, height = true_box.zip([640, 480, 640, 480]).map { |at, side| at * 1000 / side }
    inside =
      guess.sum do |x, y, w, h|
        [[left + width, x + w].min - [left, x].max, 0].max * [[top + height, y + h].min - [top, y].max, 0].max
      end
    [inside / (width * height).to_f, inside / guess.sum { |_, _, w, h| w * h }.to_f]
  end

  it "finds a line of words on a plain ground, large and small, wherever it stands" do
    [
      ["The early boat sails at noon", 60, 60, 34],
      ["Closed on Sunday", 200, 380, 26]
    ].each do |words, left, top, height|
      image, box = written(words, left, top, height)
      found = boxes(image)
      covered, true_part = overlap(found, box)
      expect([covered, true_part]).to match [be > 0.85, be > 0.5]
    end
  end

  it "finds none on a sky, on a single edge, and on what is busy all over" do
    noise = Vips::Image.gaussnoise(640, 480, mean: 128, sigma: 60).cast(:uchar)
    edge = ground.insert(ground(shade: 200).crop(0, 0, 640, 200), 0, 280)
    expect([ground, edge, noise].map { |image| boxes(image) }).to all eq []
  end

  it "makes boxes that a person could have drawn: inside the picture, twenty at most" do
    rows = Array.new(48) { |y| Array.new(64) { |x| y.even? && x % 16 < 7 ? 50 : 0 } }
    found = described_class.boxes(rows)
    expect(AskFirst::Core::Media::TextCoverage.clean(found)).to eq found
    expect(found.size).to eq 20
    expect(described_class.boxes([])).to eq []
  end

  it "takes a picture that is smaller than one of its squares" do
    expect(boxes(Vips::Image.black(3, 2).cast(:uchar))).to eq []
  end
end
