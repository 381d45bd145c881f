# frozen_string_literal: true

RSpec.describe "How a picture is framed" do
  framing = AskFirst::Core::Media::Framing

  def refused(value)
    AskFirst::Core::Media::Framing.clean(value)
  rescue AskFirst::Core::Invalid => e
    e.code
  end

  it "the cut lies around the spot that matters, and never leaves the picture" do
    [[500, 500], [0, 0], [1000, 1000], [900, 100]].each do |focus|
      left, top, width, height = framing.crop(1600, 1000, nil, { "focus" => focus, "shape" => [1, 1] })
      expect([width, height]).to eq [1000, 1000]
      expect([left, top]).to eq [((focus[0] * 1600 / 1000) - 500).clamp(0, 600), 0]
    end
  end

  it "a nearer look is a smaller cut of the same shape" do
    expect(framing.crop(1600, 1000, nil, { "shape" => [1, 1], "zoom" => 200 })).to eq [550, 250, 500, 500]
  end

  it "the network's ratio is kept within what a person framed" do
    left, top, width, height = framing.crop(2000, 1000, [[4, 5], [2, 1]], { "shape" => [1, 2], "focus" => [250, 500] })
    expect([left, width, height]).to eq [250, 500, 625]
    expect(Rational(width, height)).to be >= Rational(4, 5)
    expect(top).to be_between(0, 1000 - height)
  end

  it "property: a cut is inside the picture and of the network's ratio, whatever the frame" do
    random = Random.new(7)
    300.times do
      width, height = Array.new(2) { random.rand(50..4000) }
      frame =
        framing.clean(
          {
            "focus" => Array.new(2) { random.rand(0..1000) },
            "shape" => Array.new(2) { random.rand(1..9) },
            "zoom" => random.rand(100..400)
          }
        )
      left, top, w, h = framing.crop(width, height, [[4, 5], [2, 1]], frame)
      expect([left, top].min).to be >= 0
      expect([left + w, top + h]).to all(
        satisfy("lie inside #{width} x #{height}") { |_| left + w <= width && top + h <= height }
      )
      expect(Rational(w, h)).to be_between(Rational(4, 5) - Rational(2, h), Rational(2, 1) + Rational(2, h))
    end
  end

  it "a frame that says nothing is nothing, and what is no frame is refused" do
    expect(framing.clean({ "focus" => [500, 500], "shape" => nil, "zoom" => 100 })).to eq({})
    [
      [],
      { "focus" => [1001, 0] },
      { "shape" => [0, 1] },
      { "zoom" => 99 },
      { "colour" => 1 },
      { "focus" => [0.5, 0.5] }
    ].each { |bad| expect(refused(bad)).to eq "bad_frame" }
  end

  it "a set is shown in the shape of its first picture, where the network wants one shape" do
    rows =
      [[800, 1000], [1500, 1000]].each_with_index.map do |(w, h), n|
        { id: n.to_s, kind: "picture", width: w, height: h }
      end
    specs =
      AskFirst::Core::Media::Renditions.specs(
        rows,
        AskFirst::Core::Channels::CardReading.media(
          { "ratio" => [[4, 5], [2, 1]], "one_shape" => true, "max_side" => 1600 }
        ),
        {}
      )
    expect(specs.map { |spec| Rational(*spec["crop"].last(2)) }).to eq [Rational(4, 5), Rational(4, 5)]
  end
end
