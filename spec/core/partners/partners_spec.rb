# frozen_string_literal: true

# Partners: what is kept of them, what is late, and which may be the same.
RSpec.describe "Partners" do
  partners = AskFirst::Core::Partners

  def code
    yield
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "have a name, a kind, where they stand, a fee in whole minor units and a day" do
    said = { "name" => " Pier  Bakery ", "fee" => { "minor" => 4_050, "currency" => "EUR" }, "due_on" => "2026-11-02" }
    expect(partners::Partner.clean(said)).to eq(
      name: "Pier Bakery",
      fee: 4_050,
      currency: "EUR",
      due_on: Date.new(2026, 11, 2)
    )
    expect(partners::Partner.clean({ "fee" => nil })).to eq(fee: nil, currency: nil)
  end

  it "say at their field what cannot be" do
    {
      { "name" => " " } => %w[name_missing name],
      { "kind" => "ship" } => %w[bad_kind kind],
      { "status" => "paid" } => %w[bad_status status],
      { "fee" => { "minor" => 1.5, "currency" => "EUR" } } => %w[bad_fee fee],
      { "fee" => { "minor" => -1, "currency" => "EUR" } } => %w[bad_fee fee],
      { "fee" => { "minor" => 1, "currency" => "EURO" } } => %w[bad_currency fee],
      { "due_on" => "2026-02-30" } => %w[bad_day due_on],
      { "link" => "pier" } => %w[bad_link link],
      { "contact" => "x" * 501 } => %w[too_long contact]
    }.each { |said, error| expect(code { partners::Partner.clean(said) }).to eq(error), said.to_s }
  end

  it "are kept to the limit of each field, and a fee to its own" do
    keep = ->(key, value) { code { partners::Partner.clean({ key => value }) } }
    { "name" => 120, "contact" => 500, "codes" => 500, "note" => 20_000, "came" => 4_000 }.each do |key, limit|
      expect([keep.call(key, "x" * limit), keep.call(key, "x" * (limit + 1))]).to eq([nil, ["too_long", key]]), key
    end
    fee = ->(minor) { keep.call("fee", { "minor" => minor, "currency" => "EUR" }) }
    expect([fee.call(0), fee.call(10**12), fee.call((10**12) + 1)]).to eq [nil, nil, %w[bad_fee fee]]
  end

  it "are late with what was agreed, from the day after its day" do
    day = Date.new(2026, 10, 14)
    late = ->(status, due, today = day) { partners::Partner.late?(status, due, today) }
    expect([late.call("agreed", day - 1), late.call("agreed", day), late.call("agreed", nil)]).to eq [
         true,
         false,
         false
       ]
    expect(%w[talked delivered out ended].map { |status| late.call(status, day - 1) }.uniq).to eq [false]
  end

  it "may be the same by name, mail address or link" do
    all = [
      { id: "a", name: "Pier Bakery Ltd.", contact: "", link: nil },
      { id: "b", name: "The bakery: PIER", contact: "lise@pier.example", link: "https://www.pier.example/" },
      { id: "c", name: "Lise", contact: "write to LISE@pier.example, please", link: nil },
      { id: "d", name: "Somebody", contact: "", link: "http://pier.example" },
      { id: "e", name: "Boat yard", contact: "yard@quillmere.example", link: "https://quillmere.example/yard" }
    ]
    expect(partners::Duplicates.of(all)).to eq("a" => ["b"], "b" => %w[a c d], "c" => ["b"], "d" => ["b"])
    expect(partners::Duplicates.of([{ id: "a", name: "Ltd", link: "::" }, { id: "b", name: "Café" }])).to eq({})
    expect(partners::Duplicates.of([{ id: "a", name: "Cafe" }, { id: "b", name: "Café" }]).keys).to eq %w[a b]
  end
end
