# frozen_string_literal: true

RSpec.describe AskFirst::Core::Media::Framing do
  let(:rules) { AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [2, 1]], "max_side" => 1600 }) }

  it "leaves a picture within the ratios whole" do
    expect(described_class.for(1600, 1000, rules)).to eq(
      "crop" => [0, 0, 1600, 1000],
      "size" => [1600, 1000],
      "mime" => "image/jpeg"
    )
  end

  it "cuts a picture that is too tall to 4:5, from the middle" do
    expect(described_class.crop(1080, 1920, rules.ratio)).to eq [0, 285, 1080, 1350]
    expect(described_class.lost(1080, 1920, [0, 285, 1080, 1350])).to eq Rational(19, 64)
  end

  it "cuts a picture that is too wide to 2:1" do
    expect(described_class.crop(3000, 1000, rules.ratio)).to eq [500, 0, 2000, 1000]
  end

  it "makes a large picture as large as is taken, and no small one larger" do
    expect(described_class.for(4000, 3000, rules)["size"]).to eq [1600, 1200]
    expect(described_class.for(400, 300, rules)["size"]).to eq [400, 300]
  end

  it "lets a picture at the edge of the ratios be, and cuts the first that is beyond it" do
    expect(described_class.crop(800, 1000, rules.ratio)).to eq [0, 0, 800, 1000]
    expect(described_class.crop(2000, 1000, rules.ratio)).to eq [0, 0, 2000, 1000]
    expect(described_class.crop(799, 1000, rules.ratio)).to eq [0, 1, 799, 998] # 998.75, and no pixel is invented
    expect(described_class.crop(2001, 1000, rules.ratio)).to eq [0, 0, 2000, 1000]
    expect(described_class.for(1600, 800, rules)["size"]).to eq [1600, 800]
    expect(described_class.for(1601, 801, rules)["size"]).to eq [1600, 800]
  end

  it "cuts around the spot, from each side as far as there is room" do
    rects =
      [[0, 0], [1000, 1000], [300, 700]].map do |focus|
        described_class.crop(1000, 2000, nil, { "focus" => focus, "shape" => [1, 1], "zoom" => 200 })
      end
    expect(rects).to eq [[0, 0, 500, 500], [500, 1500, 500, 500], [50, 1150, 500, 500]]
  end

  it "leaves a pixel of what has no more" do
    expect(described_class.crop(1, 3000, rules.ratio)).to eq [0, 1499, 1, 1]
    expect(described_class.crop(3000, 1, rules.ratio)).to eq [1499, 0, 2, 1]
    expect(
      described_class.for(1, 5000, AskFirst::Core::Channels::CardReading.media({ "max_side" => 10 }))["size"]
    ).to eq [1, 10]
    expect(described_class.crop(2, 2, nil, { "zoom" => 400 })).to eq [0, 0, 1, 1]
  end

  it "takes a shape of up to 10,000 to one, and a nearness of up to four times" do
    expect(described_class.clean({ "shape" => [10_000, 1], "zoom" => 400 })).to eq(
      "shape" => [10_000, 1],
      "zoom" => 400
    )
    [{ "shape" => [10_001, 1] }, { "zoom" => 401 }].each do |bad|
      expect(refused_at { described_class.clean(bad) }).to eq %w[bad_frame framing]
    end
  end

  it "never leaves the picture or the ratios (property)" do
    random = Random.new(7)
    300.times do
      width = random.rand(1..5000)
      height = random.rand(1..5000)
      left, top, w, h = described_class.crop(width, height, rules.ratio)
      expect(left + w).to be <= width
      expect(top + h).to be <= height
      next if [w, h].min < 50 # on a handful of pixels a ratio cannot be met

      expect(Rational(w, h)).to be_between(Rational(4, 5) - Rational(1, 40), Rational(2, 1) + Rational(1, 40))
    end
  end
end
