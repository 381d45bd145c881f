# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Mentions do
  let(:book) do
    described_class::Book.new(
      [
        { name: "Harbour Museum", network: "Ticker", spelling: "@hm" },
        { name: "Harbour Museum", network: "Commons", spelling: "@[Harbour Museum](12)" }
      ]
    )
  end

  it "gives each network its own spelling, whatever the case of the name" do
    expect(described_class.spell("With @[harbour museum].", book, "Ticker")).to eq "With @hm."
    expect(described_class.spell("With @[Harbour Museum].", book, "Vitrine")).to eq "With Harbour Museum."
  end

  it "says which names have no spelling, each once" do
    expect(described_class.unspelled("@[Per] @[Per] @[Harbour Museum]", book, "Ticker")).to eq ["Per"]
  end

  it "leaves alone what is no mention" do
    ["a@b.example", "@[]", "[Per]", "@ [Per]", "@[Per\nHaugland]"].each do |text|
      expect(described_class.spell(text, book, "Ticker")).to eq text
    end
  end

  it "says how much of what was written is within, and never half a name" do
    text = "Go to @[Harbour Museum] now" # sent: Go to @hm now
    expect((0..13).map { |sent| described_class.written(text, book, "Ticker", sent) }).to eq [
         0,
         1,
         2,
         3,
         4,
         5,
         6,
         6,
         6,
         23,
         24,
         25,
         26,
         27
       ]
  end
end
