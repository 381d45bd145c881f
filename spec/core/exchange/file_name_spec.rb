# frozen_string_literal: true

# Names of files that are handed out. Sources: Unicode Technical Report 36 for signs that turn the direction; reserved
# names of devices from memory.
RSpec.describe AskFirst::Core::Exchange::FileName do
  it "shows what a file is: nothing turns its end round, nothing leads out of its folder" do
    expect(described_class.clean("invoice\u202Egpj.exe")).to eq "invoice-gpj.exe"
    expect(described_class.clean("../../etc/passwd")).to eq "-..-etc-passwd"
    expect(described_class.clean("a\r\nSet-Cookie: x.pdf")).to eq "a--Set-Cookie- x.pdf"
    expect(described_class.clean("zero\u200Bwidth\u0000.png")).to eq "zero-width-.png"
  end

  it "is taken by every system" do
    expect(%w[CON nul.txt COM1.png lpt9].map { |name| described_class.clean(name) }).to eq %w[
         -CON
         -nul.txt
         -COM1.png
         -lpt9
       ]
    expect(described_class.clean(" .hidden. ")).to eq "hidden"
    expect(described_class.clean("#{"a" * 300}.jpeg")).to eq "#{"a" * 115}.jpeg"
    expect(["", "...", "///", nil].map { |name| described_class.clean(name) }).to all(eq("file"))
  end

  it "comes in without folders, whatever system they are of, and without signs that nobody sees" do
    incoming = ->(name) { described_class.incoming(name) }
    expect(incoming.call("C:\\Users\\me\\Fog  days.jpg")).to eq "Fog days.jpg"
    expect(incoming.call("../../etc/passwd")).to eq "passwd"
    expect(incoming.call("invoice\u202Egpj.exe")).to eq "invoice gpj.exe"
    expect(incoming.call("zero\u200B\u0000width.png\xFF")).to eq "zero width.png"
    expect(
      incoming.call("\u{1F468}\u200D\u{1F469} می\u200Cخواهم.png")
    ).to eq "\u{1F468}\u200D\u{1F469} می\u200Cخواهم.png"
    expect(["", "..", "a/", "\u202E", nil].map(&incoming)).to eq %w[file file a file file]
    expect(incoming.call("x" * 300).length).to eq 255
  end

  it "keeps what people call things" do
    expect(described_class.clean("Fähre – Winter 2026 (final).pdf")).to eq "Fähre – Winter 2026 (final).pdf"
    expect(described_class.clean("جدول.pdf")).to eq "جدول.pdf"
  end
end
