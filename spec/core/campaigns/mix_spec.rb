# frozen_string_literal: true

RSpec.describe AskFirst::Core::Campaigns::Mix do
  def mix(targets, counts) = described_class.new(targets, counts.flat_map { |label, n| Array.new(n) { Array(label) } })

  # Worked by hand: of ten posts six are news and four a voice. Wanted: half and half. The shares are 0.6 and 0.4; half
  # the sum of the differences is (0.1 + 0.1) / 2 = 0.1.
  it "is as far from what is wanted as half the sum of the differences of the shares" do
    found = mix({ "news" => 50, "voice" => 50 }, { "news" => 6, "voice" => 4 })
    expect(found.distance).to eq 1r / 10
    expect(found.rows["news"]).to eq(count: 6, share: 3r / 5, target: 1r / 2)
  end

  # Worked by hand: with one more voice it is 6 and 5 of 11: |6/11 - 1/2| = 1/22 = 4.5 points, inside 5.
  it "says what to add, and how many, to come within five points" do
    expect(mix({ "news" => 50, "voice" => 50 }, { "news" => 6, "voice" => 4 }).advice).to eq("voice" => 1)
    expect(mix({ "news" => 50, "voice" => 50 }, { "news" => 11, "voice" => 10 }).advice).to eq({})
  end

  it "of no post is no mix, and wants nothing" do
    expect([mix({ "news" => 100 }, {}).distance, mix({ "news" => 100 }, {}).advice]).to eq [0, {}]
  end

  it "counts a post with two of its labels as half of each, and one with none where the targets leave room" do
    found = described_class.new({ "a" => 40, "b" => 40 }, [%w[a b], %w[a], [], %w[other]])
    expect(found.rows.transform_values { |row| row[:count] }).to eq("a" => 3r / 2, "b" => 1r / 2, nil => 2)
    expect(found.rows[nil][:target]).to eq 1r / 5
  end

  it "cannot be balanced by a sensible number where far too much is there of what is not wanted" do
    expect(mix({ "a" => 1, "b" => 99 }, { "a" => 100 }).advice).to be_nil
  end

  it "takes whole percentages that come to a hundred at most" do
    check = ->(targets) { refusal { described_class.check!(targets) }&.code }
    expect(
      [check.call("a" => 60, "b" => 41), check.call("a" => 0), check.call("a" => "5"), check.call("a" => 100)]
    ).to eq ["over_hundred", "bad_percent", "bad_percent", nil]
  end

  # Against every way to add posts, tried one by one.
  describe "against trying everything" do
    def distance(targets, counts)
      total = counts.sum.to_r
      targets.zip(counts).sum { |percent, count| ((count / total) - (percent / 100r)).abs } / 2
    end

    def ways(more, places)
      return [[more]] if places == 1

      (0..more).flat_map { |first| ways(more - first, places - 1).map { |rest| [first, *rest] } }
    end

    def fewest(targets, counts)
      (0..40).find do |more|
        ways(more, counts.size).any? do |added|
          distance(targets, counts.zip(added).map(&:sum)) <= described_class::WITHIN
        end
      end
    end

    it "adds the fewest posts that do" do
      rng = Random.new(20_261_014)
      60.times do
        cut = [rng.rand(1..98), rng.rand(1..98)].sort
        targets = [cut[0], [cut[1] - cut[0], 1].max]
        targets << (100 - targets.sum)
        counts = Array.new(3) { rng.rand(0..6) }
        next if counts.sum.zero? || targets.last < 1

        wanted = { "a" => targets[0], "b" => targets[1], "c" => targets[2] }
        found = mix(wanted, { "a" => counts[0], "b" => counts[1], "c" => counts[2] }).advice
        least = fewest(targets, counts)
        expect([targets, counts, found&.values&.sum]).to eq [targets, counts, least] if least
      end
    end
  end
end
