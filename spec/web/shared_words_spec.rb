# frozen_string_literal: true

# Digits by ISO 4217 (values from memory: yen and króna have none, dinars of Kuwait and Tunisia three).
RSpec.describe AskFirst::Web::SharedWords do
  it "gives the interface the core's own formats, parts and digits of money" do
    all = described_class.all
    expect(all[:formats]).to include("text" => "text alone", "pictures" => "several pictures")
    expect(all[:parts]).to eq AskFirst::Core::Posts::Parts::ALL
    expect(all[:currency_digits]).to include("JPY" => 0, "ISK" => 0, "KWD" => 3, "TND" => 3)
    expect(all[:currency_digits]).not_to include("EUR")
  end
end
