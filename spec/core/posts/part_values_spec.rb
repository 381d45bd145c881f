# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::PartValues do
  def refused(part, value)
    described_class.clean(part, value)
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "normalises text to NFC with LF (Unicode UAX #15)" do
    expect(described_class.clean("text", "cafe\u0301\r\nsoup\rtea")).to eq "caf\u00E9\nsoup\ntea"
  end

  it "refuses 200,000 characters and says how many there are" do
    expect { described_class.clean("text", "a" * 200_000) }.to raise_error(AskFirst::Core::Invalid, /200000 characters/)
  end

  it "refuses a lone surrogate, as JSON can carry one" do
    expect(refused("text", "half \xED\xA0\xBD of a pair")).to eq %w[bad_characters text]
  end

  it "refuses control characters, but keeps tab and line break" do
    expect(refused("text", "a\u0000b")).to eq %w[bad_characters text]
    expect(refused("text", "a\u0085b")).to eq %w[bad_characters text]
    expect(described_class.clean("text", "a\tb\nc")).to eq "a\tb\nc"
  end

  it "takes a whole address as link and nothing else" do
    expect(described_class.clean("link", " https://quillmere.example/lamp ")).to eq "https://quillmere.example/lamp"
    expect(described_class.clean("link", "")).to be_nil
    ["quillmere.example", "javascript:alert(1)", "https://", "ftp://a.example/x"].each { |bad| expect(refused("link", bad)).to eq %w[bad_link link] }
  end

  it "takes pictures as a list of different ids" do
    id = AskFirst::Core::Uuid.v7(Time.now)
    expect(described_class.clean("media", [id])).to eq [id]
    expect(refused("media", [id, id])).to eq %w[bad_media media]
    expect(refused("media", ["../../etc/passwd"])).to eq %w[bad_media media]
  end

  it "keeps a time as wall time and zone" do
    expect(described_class.clean("time",
      { "wall" => "2026-10-15T07:30", "zone" => "Europe/Lisbon" })).to eq("wall" => "2026-10-15T07:30:00", "zone" => "Europe/Lisbon")
    expect(refused("time", { "wall" => "soon", "zone" => "Europe/Lisbon" })).to eq %w[bad_time time]
    expect(refused("time", "2026-10-15")).to eq %w[bad_time time]
  end
end
