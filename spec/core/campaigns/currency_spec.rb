# frozen_string_literal: true

# Source: ISO 4217, codes and exponents (from memory: EUR 2, JPY 0, KWD 3), against the table of the package money.
RSpec.describe AskFirst::Core::Campaigns::Currency do
  it("knows the exponent of a currency") do
    expect(%w[EUR JPY KWD].map { |code| described_class.exponent(code) }).to eq [2, 0, 3]
  end
  it("writes minor units without a fraction in sight") do
    expect([[4000, "EUR"], [5, "EUR"], [40, "JPY"], [1234, "KWD"]].map { |one| described_class.words(*one) }).to eq [
         "EUR 40.00",
         "EUR 0.05",
         "JPY 40",
         "KWD 1.234"
       ]
  end

  it "takes codes of ISO 4217 and nothing else" do
    expect(described_class.clean("EUR")).to eq "EUR"
    ["eur", "XXZ", "BTC", "", nil, "EURO"].each do |bad|
      expect { described_class.clean(bad) }.to raise_error(AskFirst::Core::Invalid)
    end
  end
end
