# frozen_string_literal: true

RSpec.describe AskFirst::Core::Checks::Counting do
  let(:weighted) do
    rule({ "rule" => "weighted", "link" => 24, "emoji" => 2, "default" => 2, "ranges" => [[0, 0x24FF, 1]] })
  end

  def rule(hash) = AskFirst::Core::Channels::CardReading.text(hash)

  it "counts one text by five rules" do
    text = "né 👩‍👩‍👧"
    counts =
      %w[graphemes code_points utf16_units bytes_utf8].to_h do |rule|
        [rule, described_class.count(text, rule({ "rule" => rule }))]
      end
    expect(counts).to eq("graphemes" => 4, "code_points" => 8, "utf16_units" => 11, "bytes_utf8" => 22)
    expect(described_class.count(text, weighted)).to eq 5
  end

  it "gives a link its flat weight, however long it is" do
    expect(described_class.count("See https://quillmere.example/#{"x" * 200}.", weighted)).to eq "See .".length + 24
  end

  it "gives letters outside the ranges the default weight" do
    expect(described_class.count("潮汐", weighted)).to eq 4
  end

  it "puts the limit between characters that a person sees" do
    expect(described_class.within("abcd", rule({ "rule" => "graphemes" }), 3)).to eq 3
    expect(described_class.within("ab👩‍👩‍👧c", rule({ "rule" => "utf16_units" }), 4)).to eq 2
    expect(described_class.within("short", rule({ "rule" => "graphemes" }), 300)).to eq 5
  end

  it "never counts the part within as more than the limit (property)" do
    letters = ["a", "é", "👩‍👧", "潮", " ", "https://a.example/b ", "\n", "🇵🇹"]
    random = Random.new(20_261_014)
    200.times do
      text = Array.new(random.rand(1..40)) { letters.sample(random: random) }.join
      limit = random.rand(1..60)
      [
        weighted,
        rule({ "rule" => "graphemes" }),
        rule({ "rule" => "utf16_units" }),
        rule({ "rule" => "bytes_utf8" })
      ].each do |rule|
        taken = described_class.within(text, rule, limit)
        expect(described_class.count(text[0, taken], rule)).to be <= limit
        expect(taken).to eq text.length if described_class.count(text, rule) <= limit
      end
    end
  end

  # Against Ruby's own encoder of UTF-16: a character above U+FFFF is a pair.
  it "counts UTF-16 units as the encoding has them, on both sides of its border" do
    random = Random.new(16)
    points =
      [0x41, 0xD7FF, 0xE000, 0xFFFF, 0x1_0000, 0x1_F98A, 0x10_FFFF] + Array.new(400) { random.rand(0xE000..0x2_0000) }
    texts = points.map { |point| [point].pack("U") } + points.each_slice(5).map { |some| some.pack("U*") }
    expect(texts.map { |text| described_class.count(text, rule({ "rule" => "utf16_units" })) }).to eq(
      texts.map { |text| text.encode("UTF-16LE").bytesize / 2 }
    )
  end

  it "counts bytes as the encoding has them, and code points as Ruby has them" do
    ["", "a", "é", "潮", "🦊", "e\u0301", "👩‍👩‍👧"].each do |text|
      expect(described_class.count(text, rule({ "rule" => "bytes_utf8" }))).to eq text.bytesize
      expect(described_class.count(text, rule({ "rule" => "code_points" }))).to eq text.codepoints.size
    end
  end

  it "refuses a rule that it does not know" do
    expect { described_class.count("a", rule({ "rule" => "feet" })) }.to raise_error(AskFirst::Core::Invalid, /feet/)
  end
end

RSpec.describe AskFirst::Core::Checks::Links do
  def found(text)
    described_class.find(text).map { |from, length| text[from, length] }
  end

  it "finds links without the punctuation and brackets around them" do
    expect(found("See https://a.example/x, (https://b.example/y) and https://c.example/z_(w).")).to eq %w[
         https://a.example/x
         https://b.example/y
         https://c.example/z_(w)
       ]
  end

  it "does not take a bare scheme or a word for a link" do
    expect(found("http:// and quillmere.example and https://.")).to eq []
  end
end
