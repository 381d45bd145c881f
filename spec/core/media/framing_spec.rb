# frozen_string_literal: true

RSpec.describe AskFirst::Core::Media::Framing do
  let(:rules) { { "ratio" => [[4, 5], [2, 1]], "max_side" => 1600 } }

  it "leaves a picture within the ratios whole" do
    expect(described_class.for(1600, 1000, rules)).to eq("crop" => [0, 0, 1600, 1000], "size" => [1600, 1000], "mime" => "image/jpeg")
  end

  it "cuts a picture that is too tall to 4:5, from the middle" do
    expect(described_class.crop(1080, 1920, rules["ratio"])).to eq [0, 285, 1080, 1350]
    expect(described_class.lost(1080, 1920, [0, 285, 1080, 1350])).to eq Rational(19, 64)
  end

  it "cuts a picture that is too wide to 2:1" do
    expect(described_class.crop(3000, 1000, rules["ratio"])).to eq [500, 0, 2000, 1000]
  end

  it "makes a large picture as large as is taken, and no small one larger" do
    expect(described_class.for(4000, 3000, rules)["size"]).to eq [1600, 1200]
    expect(described_class.for(400, 300, rules)["size"]).to eq [400, 300]
  end

  it "never leaves the picture or the ratios (property)" do
    random = Random.new(7)
    300.times do
      width = random.rand(1..5000)
      height = random.rand(1..5000)
      left, top, w, h = described_class.crop(width, height, rules["ratio"])
      expect(left + w).to be <= width
      expect(top + h).to be <= height
      next if [w, h].min < 50 # on a handful of pixels a ratio cannot be met

      expect(Rational(w, h)).to be_between(Rational(4, 5) - Rational(1, 40), Rational(2, 1) + Rational(1, 40))
    end
  end
end
