# frozen_string_literal: true

# What becomes of a mail that answers one of ours.
RSpec.describe AskFirst::Core::Talk::Reply do
  def mail(**more)
    { sender: "odile@quillmere.example", automatic: false, failed: false, cut: false, words: "Yes.", files: 0 }.merge(
      more
    )
  end

  def outcome(over: false, recent: 0, **more)
    place = described_class::Place.new(email: "Odile@quillmere.example", over: over, recent: recent)
    described_class.outcome(described_class::Mail.new(**mail(**more)), place)
  end

  it "is said where a person wrote it from their own address, however the address is written" do
    expect(outcome).to eq "said"
  end

  {
    "that no person wrote, whatever else it is" => [{ automatic: true, sender: "x@y.example" }, "automatic"],
    "whose sender could not be confirmed" => [{ failed: true }, "forged"],
    "from another address" => [{ sender: "deck@quillmere.example" }, "elsewhere"],
    "whose link works no more" => [{ over: true }, "over"],
    "that is the twenty-first within an hour" => [{ recent: 20 }, "too_many"],
    "that was too large to be fetched" => [{ cut: true, words: "" }, "too_long"],
    "that nobody here can read" => [{ garbled: true, words: "" }, "unreadable"],
    "without words of its own" => [{ words: "" }, "empty"],
    "without words, with a file" => [{ words: "", files: 1 }, "said"]
  }.each { |what, (facts, expected)| it("#{what} is #{expected}") { expect(outcome(**facts)).to eq expected } }

  it "those that are told that nobody got it are told why" do
    expect(described_class::NOT_TAKEN.keys).to match_array(%w[over too_many too_long unreadable empty])
    expect(described_class::NOT_TAKEN.keys - described_class::OUTCOMES.map(&:first)).to be_empty
  end

  # The shapes of quoting are common practice, no source.
  describe "its words" do
    {
      "quoted in English" =>
        "Not on Sundays.\n\nOn Tue, Oct 13, 2026 at 9:40 AM Fernhollow <a@f.example> wrote:\n\n> Hello",
      "quoted in German" => "Not on Sundays.\n\nAm 13.10.2026 um 09:40 schrieb Fernhollow <a@f.example>:\n> Hallo",
      "quoted in French" =>
        "Not on Sundays.\n\nLe mar. 13 oct. 2026 à 09:40, Fernhollow <a@f.example> a écrit :\n> Bonjour",
      "above an original" => "Not on Sundays.\n\n-----Original Message-----\nFrom: Fernhollow\nSent: Tuesday\nHello",
      "signed (RFC 3676, 4.3)" => "Not on Sundays.\n\n-- \nOdile Marchetti\nQuillmere Ferries"
    }.each do |how, text|
      it("#{how}: only what was written") { expect(described_class.words(text)).to eq "Not on Sundays." }
    end

    it "between quoted lines keep them: the answer needs its question" do
      text = "> Is it Sunday?\nYes.\n> And Monday?\nNo."
      expect(described_class.words(text)).to eq text
    end

    it "hold no link and no address of ours, whole or broken over quoted lines" do
      pass = "aB3_-#{"x" * 38}"
      link = "https://ask.example/review/##{pass}"
      broken = "#{link[0, 40]}\n> #{link[40..]}"
      address = "replies+#{"0a" * 20}@f.example"
      [
        link,
        broken,
        "#{address[0, 20]}=\n#{address[20..]}",
        "https://a.example/review/#receipt.#{pass}"
      ].each do |secret|
        safe = described_class.safe("See #{secret}\n\nHello Odile")
        expect(safe).to include("See ", "…", "Hello Odile")
        [pass[-10..], pass[0, 5], "0a0a0a"].each { |part| expect(safe).not_to include part }
      end
      expect(described_class.safe("See /#stern, or replies+x@f.example")).to eq "See /#stern, or replies+x@f.example"
    end

    it "end at what a remark can hold" do
      expect(described_class.words("fog " * 2_000)).to(satisfy { |said| said.length == 4_000 && said.end_with?("…") })
    end
  end
end
