# frozen_string_literal: true

RSpec.describe AskFirst::Core::Clients::Contrast do
  # WCAG 2.2, definition of contrast ratio; values from memory, recomputed
  {
    %w[#000000 #FFFFFF] => 21.0,
    %w[#767676 #FFFFFF] => 4.54,
    %w[#777777 #FFFFFF] => 4.48,
    %w[#FFFFFF #FFFFFF] => 1.0
  }.each do |(one, other), ratio|
    it "#{one} on #{other} is #{ratio} : 1" do
      expect(described_class.ratio(one, other)).to be_within(0.005).of(ratio)
      expect(described_class.ratio(other, one)).to eq described_class.ratio(one, other)
    end
  end

  it "says what a ratio is good for (WCAG 2.2, 1.4.3 and 1.4.11)" do
    expect([21, 4.5, 4.48, 3, 2.99].map { |ratio| described_class.good_for(ratio) }).to eq %w[
         text
         text
         large
         large
         none
       ]
  end

  it "the product's own text colours keep AA on their grounds" do
    {
      "#16191C" => "#EFF0EE",
      "#4C5358" => "#EFF0EE",
      "#B00D2B" => "#EFF0EE",
      "#8A5200" => "#EFF0EE",
      "#55389A" => "#EFF0EE",
      "#17693F" => "#EFF0EE"
    }.each { |ink, ground| expect(described_class.ratio(ink, ground)).to be >= 4.5 }
  end
end
