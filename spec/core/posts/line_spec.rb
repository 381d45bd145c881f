# frozen_string_literal: true

# Names and titles. Source of what turns the direction of writing: Unicode UAX #9, table 4 (embeddings, overrides,
# isolates).
RSpec.describe AskFirst::Core::Posts::Text, ".line" do
  def line(text) = described_class.line(text)

  it "is one line: line ends and spaces in a row are one space, and nothing but spaces is nothing" do
    expect(line("Fog\r\n over\u2028the\u00A0 pier ")).to eq "Fog over the pier"
    expect(line(" \t\u2003\u3000 ")).to eq ""
  end

  it "turns nothing round that stands beside it, and keeps names of every script" do
    expect(line("\u202Eexe.gpj\u202C Fog\u2066!\u2069")).to eq "exe.gpj Fog!"
    names = ["עדה לוי", "سلمى", "Zoë Ångström", "陳大文", "O\u2019Neill"]
    expect(names.map { |name| line(name) }).to eq names
  end
end
