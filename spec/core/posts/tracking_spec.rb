# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Tracking do
  def refused
    yield
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "stands behind the query that is there, and before the fragment" do
    expect(
      described_class.append("https://a.example/p?q=1#top", { "source" => "ticker", "medium" => "social" })
    ).to eq "https://a.example/p?q=1&utm_source=ticker&utm_medium=social#top"
    expect(
      described_class.append("https://a.example/p", { "source" => "a b&c" })
    ).to eq "https://a.example/p?utm_source=a+b%26c"
    expect(described_class.append("https://a.example/p?", { "source" => "x" })).to eq "https://a.example/p?utm_source=x"
  end

  it "disturbs nothing that the address says already, not even a tag of its own" do
    expect(
      described_class.append("https://a.example/p?utm_source=mine", { "source" => "ours", "term" => "t" })
    ).to eq "https://a.example/p?utm_source=mine&utm_term=t"
    expect(described_class.append("https://a.example/p?x=%C3%BC&y", {})).to eq "https://a.example/p?x=%C3%BC&y"
  end

  it "reads an address as it is built: a question mark in its query and a second # are no new beginning" do
    expect(
      described_class.append("https://a.example/p?q=why?#a#b", { "source" => "t" })
    ).to eq "https://a.example/p?q=why?&utm_source=t#a#b"
    expect(
      described_class.append("https://a.example/#?x=1", { "source" => "t" })
    ).to eq "https://a.example/?utm_source=t#?x=1"
    expect(
      described_class.append("https://a.example/p#", { "source" => "t" })
    ).to eq "https://a.example/p?utm_source=t#"
    expect(
      described_class.append("https://a.example/p?a=1&", { "source" => "t" })
    ).to eq "https://a.example/p?a=1&utm_source=t"
  end

  it "knows a tag that is there in any case, with a value that holds = or with none" do
    %w[UTM_Source=x utm_source=a=b utm_source= utm_source &&utm_source=x].each do |query|
      expect([query, described_class.append("https://a.example/p?#{query}", { "source" => "t" })]).to eq [
           query,
           "https://a.example/p?#{query}"
         ]
    end
    expect(
      described_class.append("https://a.example/p?x=utm_source=1", { "source" => "t" })
    ).to eq "https://a.example/p?x=utm_source=1&utm_source=t"
  end

  it "makes the same address of the same tags, in whatever order they were kept" do
    one = { "source" => "ticker", "medium" => "social", "campaign" => "fog" }
    expect(described_class.append("https://a.example/p", one.to_a.reverse.to_h)).to eq described_class.append(
         "https://a.example/p",
         one
       )
  end

  it "fills the workspace's defaults in for a channel, and leaves out a tag with nothing to say" do
    defaults = { "source" => "{network}", "campaign" => "{campaign}", "content" => "{channel}-post" }
    expect(
      described_class.fill(defaults, { "network" => "Ticker", "channel" => "Quillmere Ferries", "campaign" => "" })
    ).to eq("source" => "ticker", "content" => "quillmere-ferries-post")
    expect(
      described_class.fill(defaults, { "network" => "Ticker", "channel" => "x", "campaign" => "Fog days, Übersee" })[
        "campaign"
      ]
    ).to eq "fog-days-übersee"
  end

  it "writes a tag in lower case with its words joined, in any script, and drops what is no word" do
    {
      "Fog Days!" => "fog-days",
      "Übersee 2026" => "übersee-2026",
      "e\u0301te\u0301" => "été",
      "潮汐 表" => "潮汐-表",
      " -- " => "",
      nil => "",
      7 => "7"
    }.each { |text, slug| expect(described_class.slug(text)).to eq slug }
  end

  it "takes a tag of a hundred characters, and says which place is none" do
    expect(described_class.clean({ "source" => "a" * 100 })["source"].length).to eq 100
    expect(refused { described_class.clean({ "source" => "a" * 101 }) }).to eq %w[too_long tracking]
    expect(refused { described_class.clean("source=x") }).to eq %w[bad_tags tracking]
    expect { described_class.clean({ "source" => "{colour}-{size}" }, templates: true) }.to raise_error(
      AskFirst::Core::Invalid,
      /“\{colour\}”/
    )
    # written for one link, it is what it is
    expect(described_class.clean({ "source" => "{colour}" })).to eq("source" => "{colour}")
  end

  it "takes five tags and the places that can be filled in, and nothing else" do
    expect(described_class.clean({ "source" => " ticker ", "term" => "" })).to eq("source" => "ticker")
    expect(refused { described_class.clean({ "colour" => "x" }) }).to eq %w[bad_tags tracking]
    expect(refused { described_class.clean({ "source" => "{password}" }, templates: true) }).to eq %w[bad_tags tracking]
    expect(described_class.clean({ "source" => "{network}" }, templates: true)).to eq("source" => "{network}")
  end
end
