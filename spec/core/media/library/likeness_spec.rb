# frozen_string_literal: true

require "dhash-vips"
require "vips"

RSpec.describe AskFirst::Core::Media::Likeness do
  def likeness(image)
    pictures = AskFirst::Edge::Files::Pictures.new
    described_class.of(pictures.greys(StringIO.new(image.jpegsave_buffer(Q: 92)), described_class::ACROSS, 8))
  end

  # Waves that nothing repeats, so that 64 spots differ.
  def picture(seed, width: 640, height: 480)
    xyz = Vips::Image.xyz(width, height)
    x = xyz[0] * (360.0 / width)
    y = xyz[1] * (360.0 / height)
    waves = (x * (2 + seed)).sin + (y * (3 + (seed % 4))).cos + (((x + y) * (1 + (seed % 3))) + (40 * seed)).sin
    ((waves * 40) + 128).cast(:uchar)
  end

  it "is a bit for each of 64 spots that is darker than the one to its right, the first in front" do
    rising = [*0..8] * 8
    expect(described_class.of(rising)).to eq(-1) # all 64 bits, signed
    expect(described_class.of(rising.reverse)).to eq 0
    first = [0, 1, *Array.new(7, 0)] + Array.new(63, 0)
    expect(described_class.of(first)).to eq(-(1 << 63))
  end

  {
    "saved again, badly" => ->(image) { Vips::Image.new_from_buffer(image.jpegsave_buffer(Q: 30), "") },
    "at half its size" => ->(image) { image.resize(0.5) },
    "a little lighter" => ->(image) { (image + 12).cast(:uchar) },
    "a little softer" => ->(image) { image.gaussblur(1.5) }
  }.each do |change, made|
    it "is near to the same picture #{change}" do
      near = (1..8).map { |seed| described_class.distance(likeness(picture(seed)), likeness(made.call(picture(seed)))) }
      expect(near).to all(be <= described_class::NEAR)
    end
  end

  # dhash-vips, a library that makes the same kind of sign: it asks whether a spot is lighter than the one to its right.
  it "answers as a library does, spot by spot" do
    (1..8).each do |seed|
      same = Vips::Image.new_from_buffer(picture(seed).jpegsave_buffer(Q: 92), "")
      theirs = DHashVips::DHash.calculate(same)
      # a JPEG that is made small while it is read differs by a little
      expect(described_class.distance(likeness(picture(seed)), ~theirs)).to be <= 4
    end
  end

  it "is far from other pictures, and from the same one turned" do
    all = (1..8).map { |seed| likeness(picture(seed)) }
    expect(all.combination(2).map { |one, other| described_class.distance(one, other) }.min).to be >
      described_class::NEAR
    turned = likeness(picture(1).rot(:d90))
    expect(described_class.near?(all.first, turned)).to be false
  end
end
