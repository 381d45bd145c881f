# frozen_string_literal: true

# Expected shares by hand; and against a count of every cell of a grid.
RSpec.describe AskFirst::Core::Media::TextCoverage do
  {
    [] => 0,
    [[0, 0, 1000, 1000]] => 1,
    [[0, 0, 500, 400]] => Rational(1, 5),
    [[0, 0, 500, 500], [500, 500, 500, 500]] => Rational(1, 2),
    # two that lie over each other by a quarter each: 2 x 1/4 less 1/16
    [[0, 0, 500, 500], [250, 250, 500, 500]] => Rational(7, 16),
    # one inside the other adds nothing
    [[100, 100, 800, 800], [200, 200, 10, 10]] => Rational(64, 100),
    # a cross
    [[0, 450, 1000, 100], [450, 0, 100, 1000]] => Rational(19, 100)
  }.each do |boxes, share|
    it "is #{share} of the picture for #{boxes}" do
      expect(described_class.share(boxes)).to eq share
    end
  end

  it "is what counting every cell comes to, whatever lies over what" do
    random = Random.new(11)
    20.times do
      cells =
        Array.new(random.rand(1..6)) do
          left, top = Array.new(2) { random.rand(0..18) }
          [left, top, random.rand(1..(20 - left)), random.rand(1..(20 - top))]
        end
      counted =
        [*0...20].product([*0...20])
          .count do |x, y|
            cells.any? do |left, top, width, height|
              (left...(left + width)).cover?(x) && (top...(top + height)).cover?(y)
            end
          end
      boxes = cells.map { |box| box.map { |side| side * 50 } }
      expect(described_class.share(boxes)).to eq Rational(counted, 400)
    end
  end

  it "is said above a fifth, and not at it" do
    expect([0, Rational(1, 5), Rational(200_001, 1_000_000)].map { |share| described_class.over?(share) }).to eq(
      [false, false, true]
    )
  end

  [
    nil,
    "x",
    [[0, 0, 0, 5]],
    [[0, 0, 1001, 5]],
    [[-1, 0, 5, 5]],
    [[0, 0, 5]],
    [[0, 0, 5, 5.0]],
    [[0, 0, 1, 1]] * 61
  ].each do |bad|
    it "refuses #{bad.to_s[0, 40]}" do
      expect { described_class.clean(bad) }.to raise_error(AskFirst::Core::Invalid) { |e|
        expect(e.code).to eq "bad_boxes"
      }
    end
  end
end
