# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Tracking do
  def refused
    yield
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "stands behind the query that is there, and before the fragment" do
    expect(described_class.append("https://a.example/p?q=1#top", { "source" => "ticker", "medium" => "social" })).to eq "https://a.example/p?q=1&utm_source=ticker&utm_medium=social#top"
    expect(described_class.append("https://a.example/p", { "source" => "a b&c" })).to eq "https://a.example/p?utm_source=a+b%26c"
    expect(described_class.append("https://a.example/p?", { "source" => "x" })).to eq "https://a.example/p?utm_source=x"
  end

  it "disturbs nothing that the address says already, not even a tag of its own" do
    expect(described_class.append("https://a.example/p?utm_source=mine", { "source" => "ours", "term" => "t" })).to eq "https://a.example/p?utm_source=mine&utm_term=t"
    expect(described_class.append("https://a.example/p?x=%C3%BC&y", {})).to eq "https://a.example/p?x=%C3%BC&y"
  end

  it "makes the same address of the same tags, in whatever order they were kept" do
    one = { "source" => "ticker", "medium" => "social", "campaign" => "fog" }
    expect(described_class.append("https://a.example/p", one.to_a.reverse.to_h)).to eq described_class.append("https://a.example/p", one)
  end

  it "fills the workspace's defaults in for a channel, and leaves out a tag with nothing to say" do
    defaults = { "source" => "{network}", "campaign" => "{campaign}", "content" => "{channel}-post" }
    expect(described_class.fill(defaults, { "network" => "Ticker", "channel" => "Quillmere Ferries", "campaign" => "" })).to eq("source" => "ticker", "content" => "quillmere-ferries-post")
    expect(described_class.fill(defaults, { "network" => "Ticker", "channel" => "x", "campaign" => "Fog days, Übersee" })["campaign"]).to eq "fog-days-übersee"
  end

  it "takes five tags and the places that can be filled in, and nothing else" do
    expect(described_class.clean({ "source" => " ticker ", "term" => "" })).to eq("source" => "ticker")
    expect(refused { described_class.clean({ "colour" => "x" }) }).to eq %w[bad_tags tracking]
    expect(refused { described_class.clean({ "source" => "{password}" }, templates: true) }).to eq %w[bad_tags tracking]
    expect(described_class.clean({ "source" => "{network}" }, templates: true)).to eq("source" => "{network}")
  end
end
