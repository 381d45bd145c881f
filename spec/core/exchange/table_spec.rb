# frozen_string_literal: true

RSpec.describe AskFirst::Core::Exchange::Table do
  # RFC 4180: CRLF, fields with line breaks, commas or quotes in quotes, quotes doubled
  it "writes rows as RFC 4180 has them, and they read back" do
    text = described_class.csv(%w[a b], [["one, two", "she said \"no\""], ["line\nbreak", nil]])
    expect(text).to eq "a,b\r\n\"one, two\",\"she said \"\"no\"\"\"\r\n\"line\nbreak\",\"\"\r\n"
    expect(CSV.parse(text, row_sep: "\r\n")).to eq [%w[a b], ["one, two", "she said \"no\""], ["line\nbreak", ""]]
  end

  it "no cell is run as a formula by a spreadsheet" do
    expect(["=1+1", "+1", "-1", "@cmd", "\tx", "fine"].map { |cell| described_class.cell(cell) }).to eq [
         "'=1+1",
         "'+1",
         "'-1",
         "'@cmd",
         "'\tx",
         "fine"
       ]
  end

  it "nor behind a line end, white space or a sign that nobody sees, nor in full width" do
    ["\n=1+1", " =1+1", "\u00A0=1", "\u200B=1", "\uFEFF-1", "＝1", "＋1", "－1", "＠x", "\r=1"].each do |cell|
      expect(described_class.cell(cell)).to eq "'#{cell}"
    end
    ["1 = 1", "a\n=b", "−5 °C", "—"].each { |cell| expect(described_class.cell(cell)).to eq cell }
  end

  it "a structure becomes JSON" do
    expect(described_class.cell({ "a" => 1 })).to eq '{"a":1}'
  end
end
