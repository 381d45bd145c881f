# frozen_string_literal: true

RSpec.describe AskFirst::Core::Figures::Sample do
  # By hand from definition 7 of Hyndman and Fan (1996): the place is 1 + (n - 1) p, between two values in proportion.
  {
    [[1, 2, 3, 4], 0.5] => 2.5,
    [[1, 2, 3, 4], 0.9] => 3.7, # place 3.7
    [[10, 20, 30, 40, 50], 0.25] => 20.0,
    [[15, 20, 35, 40, 50], 0.4] => 29.0, # place 2.6: 20 + 0.6 x 15
    [[7], 0.9] => 7.0
  }.each do |(values, share), expected|
    it("of #{values.join(", ")} at #{share} is #{expected}") do
      expect(described_class.new(values.shuffle).quantile(share)).to be_within(1e-9).of(expected)
    end
  end

  it "of nothing is nothing" do
    expect(described_class.new([]).to_h).to eq(n: 0, median: nil, p90: nil)
  end

  # PostgreSQL's percentile_cont is definition 7 (its documentation, table of ordered-set aggregates).
  it "is what PostgreSQL gives, whatever the numbers", :database do
    random = Random.new(7)
    40.times do
      values = Array.new(random.rand(1..30)) { random.rand(0..900) / 4.0 }
      shares = [0.0, 0.1, 0.5, 0.9, random.rand, 1.0]
      given = shares.map { |share| "percentile_cont(#{share}) WITHIN GROUP (ORDER BY v)" }.join(", ")
      row = db.fetch("SELECT ARRAY[#{given}] AS found FROM unnest(ARRAY[#{values.join(",")}]::float8[]) v").first
      shares.zip(row[:found].to_a) do |share, expected|
        expect(described_class.new(values).quantile(share)).to be_within(1e-9).of(expected)
      end
    end
  end
end
