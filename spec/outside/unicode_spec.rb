# frozen_string_literal: true

# Source: the Unicode Character Database as Debian's package unicode-data carries it: GraphemeBreakTest.txt (UAX #29),
# emoji-test.txt (UTS #51) and NormalizationTest.txt (UAX #15). Second opinion: Node's own Intl.Segmenter.
RSpec.describe "counting against Unicode's own data" do
  folder = "/usr/share/unicode"

  def graphemes(text)
    AskFirst::Core::Checks::Counting.count(text, AskFirst::Core::Channels::CardReading.text({ "rule" => "graphemes" }))
  end

  def lines(path)
    File.readlines(path, encoding: "UTF-8").map { |line| line.sub(/#.*/, "").strip }.reject(&:empty?)
  end

  it "breaks every case of GraphemeBreakTest.txt as Unicode does" do
    cases = lines("#{folder}/auxiliary/GraphemeBreakTest.txt")
    wrong =
      cases.reject do |line|
        text = line.scan(/\h{4,6}/).map { |hex| hex.to_i(16) }.grep_v(0xD800..0xDFFF).pack("U*")
        graphemes(text) == line.count("÷") - 1
      end
    expect(cases.size).to be > 600
    expect(wrong).to eq []
  end

  it "counts every emoji of emoji-test.txt as one" do
    sequences =
      lines("#{folder}/emoji/emoji-test.txt").map do |line|
        line.split(";").first.scan(/\h+/).map { |hex| hex.to_i(16) }.pack("U*")
      end
    expect(sequences.size).to be > 3_600
    expect(sequences.reject { |text| graphemes(text) == 1 }).to eq []
  end

  it "gives every emoji sequence one flat weight where the card has one" do
    rule =
      AskFirst::Core::Channels::CardReading.text(
        { "rule" => "weighted", "link" => 24, "emoji" => 2, "default" => 2, "ranges" => [[0, 0x24FF, 1]] }
      )
    sequences =
      lines("#{folder}/emoji/emoji-test.txt").map do |line|
        line.split(";").first.scan(/\h+/).map { |hex| hex.to_i(16) }.pack("U*")
      end
    expect(sequences.reject { |text| AskFirst::Core::Checks::Counting.count(text, rule) == 2 }).to eq []
  end

  it "normalises as NormalizationTest.txt says" do
    raw = IO.popen(["bzcat", "#{folder}/NormalizationTest.txt.bz2"], &:read).force_encoding("UTF-8")
    rows =
      raw
        .lines
        .map { |line| line.sub(/#.*/, "").strip }
        .reject { |line| line.empty? || line.start_with?("@") }
        .first(6_000)
    wrong =
      rows.reject do |line|
        source, nfc, = line.split(";").map { |column| column.split.map { |hex| hex.to_i(16) }.pack("U*") }
        AskFirst::Core::Posts::Text.clean(source) == nfc
      end
    expect(rows.size).to be > 5_000
    expect(wrong).to eq []
  end

  # Newer Unicode (15.1, rule GB9c) joins some Indic consonants that Ruby 3.1 (Unicode 13) counts apart; such text is
  # left out.
  it "agrees with Node's Intl.Segmenter and its UTF-16 length on mixed text" do
    texts = ["Fog days: 7:20", "naïve cafe\u0301", "👩‍👩‍👧‍👦 auf Deck", "🇵🇹🇩🇪", "ﷺ a\u200Db", "e\u0301\u0327"]
    script =
      "const s=new Intl.Segmenter('en',{granularity:'grapheme'});" \
        "console.log(JSON.stringify(JSON.parse(process.argv[1]).map(t=>[[...s.segment(t)].length,t.length])))"
    theirs = JSON.parse(IO.popen(["node", "-e", script, JSON.generate(texts)], &:read))
    ours =
      texts.map do |text|
        [
          graphemes(text),
          AskFirst::Core::Checks::Counting.count(
            text,
            AskFirst::Core::Channels::CardReading.text({ "rule" => "utf16_units" })
          )
        ]
      end
    expect(ours).to eq theirs
  end
end
