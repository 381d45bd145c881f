# frozen_string_literal: true

require "prop_check"

# Source: W3C Recommendation "Web Annotation Data Model" (2017), 4.2.4; its example quotes "annotation" in "this is an
# annotation that has some".
RSpec.describe AskFirst::Core::Talk::TextQuote do
  let(:text) { "Fog on the estuary? The 7:20 waits until the far pier is in sight. Look at the far pier again." }

  def quote(text, words, nth = 0)
    start = -1
    (nth + 1).times { start = text.index(words, start + 1) }
    described_class.at(text, start, words.length)
  end

  it "keeps the words of the Recommendation's example, with what stands around them" do
    source = "this is an annotation that has some"
    one = described_class.stored("exact" => "annotation", "prefix" => "this is an ", "suffix" => " that has some")
    expect(one.find(source)).to eq source.index("annotation")
  end

  it "finds the words again when the text around them changes" do
    one = quote(text, "the far pier")
    expect(one.find("Good morning. #{text}")).to eq text.index("the far pier") + 14
    expect(one.find(text.sub("Fog on the estuary? ", ""))).to eq text.index("the far pier") - 20
    expect(one.find("It waits until the far pier is seen.")).to eq 15
  end

  it "of words that stand twice, finds those whose neighbours stand still" do
    second = quote(text, "the far pier", 1)
    expect(second.find(text)).to eq text.rindex("the far pier")
    expect(second.find(text.sub("Fog on the estuary? ", ""))).to eq text.rindex("the far pier") - 20
    expect(quote(text, "the far pier").find(text)).to eq text.index("the far pier")
  end

  it "says so when they are gone" do
    expect(quote(text, "the far pier").find("It waits until the lamp is in sight.")).to be_nil
    expect(quote(text, "the far pier").replace("It waits.", "the lamp")).to be_nil
  end

  it "puts other words in their place, and touches nothing else" do
    changed = quote(text, "the far pier").replace(text, "the lamp")
    expect(changed).to eq text.sub("the far pier", "the lamp")
  end

  it "puts no words in the place of others that are the same by chance, once the meant ones are gone" do
    one = quote(text, "the far pier")
    expect(one.replace("Look at the far pier again.", "the lamp")).to be_nil
    expect(one.replace("The 7:20 waits until the far pier is in view, says Rowan.", "the lamp")).to eq(
      "The 7:20 waits until the lamp is in view, says Rowan."
    )
    bare = described_class.stored("exact" => "Fog")
    expect(bare.replace("Fog waits.", "Mist")).to eq "Mist waits."
    expect(bare.replace("Fog waits for Fog.", "Mist")).to be_nil
  end

  it "takes no letter away from the marks that belong to it" do
    one = quote("cafe on the pier", "cafe")
    expect(one.find("cafe\u0301 on the pier")).to be_nil # e with an accent of its own is another letter
    expect(one.replace("cafe\u0301 on the pier", "tea room")).to be_nil
    expect(described_class.at("🚢 sails", 0, 1).find("🚢\u{FE0F} sails")).to be_nil
  end

  it "finds any run of any text in that text, and stays with it when something is put before it" do
    words = PropCheck::Generators.array(PropCheck::Generators.choose(0..3), min: 3, max: 40)
    PropCheck.forall(
      words,
      PropCheck::Generators.choose(0..30),
      PropCheck::Generators.choose(1..8)
    ) do |letters, from, length|
      line = letters.map { |n| %w[a b é 🚢][n] }.join
      start = from % line.length
      one = described_class.at(line, start, [length, line.length - start].min)
      raise "lost" unless one.find(line)
      raise "moved" unless one.find("zz#{line}") == one.find(line) + 2
    end
  end

  it "is no pin without words, and keeps no more than it needs" do
    expect { described_class.clean("exact" => " ") }.to raise_error(AskFirst::Core::Invalid) { |e|
      expect(e.code).to eq "bad_pin"
    }
    long = described_class.clean("exact" => "x", "prefix" => "p" * 99, "suffix" => "s" * 99)
    expect([long.prefix.length, long.suffix.length]).to eq [32, 32]
  end
end

RSpec.describe AskFirst::Core::Talk::Pin do
  id = AskFirst::Core::Uuid.v7(Time.utc(2026))

  def pin(**more) = described_class.clean(more.transform_keys(&:to_s))

  it "is a spot, an area, a page, a moment, or words, inside of what it points at" do
    base = { adaptation_id: id, media_id: id }
    expect(pin(kind: "spot", x: 500, y: 250.4, **base)).to include("x" => 500, "y" => 250, "width" => 0)
    expect(pin(kind: "spot", x: 500, y: 500, width: 500, height: 500, **base)).to include("width" => 500)
    expect(pin(kind: "page", page: 3, **base)).to include("page" => 3)
    expect(pin(kind: "moment", ms: 12_500, **base)).to include("ms" => 12_500)
    expect(pin(kind: "words", exact: "fog", adaptation_id: id)).to include("exact" => "fog", "prefix" => "")
    expect(described_class.clean(nil)).to be_nil
  end

  it "is refused anywhere else" do
    base = { adaptation_id: id, media_id: id }
    [
      { kind: "spot", x: 501, y: 0, width: 500, **base },
      { kind: "spot", x: -1, y: 0, **base },
      { kind: "spot", x: "5", y: 0, **base },
      { kind: "page", page: 0, **base },
      { kind: "moment", ms: -1, **base },
      { kind: "send", **base },
      { kind: "words", exact: "fog", adaptation_id: "nothing" }
    ].each do |value|
      expect { pin(**value) }.to raise_error(AskFirst::Core::Invalid) { |e|
        expect([value, e.code]).to eq [value, "bad_pin"]
      }
    end
  end

  it "knows whether what it points at is there still" do
    words = pin(kind: "words", exact: "fog", adaptation_id: id)
    expect(described_class.now(words, "In fog", [])).to eq(gone: false, start: 3)
    expect(described_class.now(words, "In sun", [])).to eq(gone: true, start: nil)
    expect(described_class.now(words, nil, [])).to include(gone: true)
    spot = pin(kind: "spot", x: 1, y: 1, adaptation_id: id, media_id: id)
    expect([described_class.now(spot, "", [id])[:gone], described_class.now(spot, "", [])[:gone]]).to eq [false, true]
  end
end
