# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Authorship do
  def left(part, from, value) = described_class.carried(part, from, value, ["maro"]).any?

  it "carries authors as long as three words in a row are left of a text" do
    from = "When fog sits on the estuary, the boat waits."
    expect(left("text", from, "Early: FOG sits, on what?")).to be true
    expect(left("text", from, "Fog on the boat: nobody sits.")).to be false
    expect(left("text", from, "")).to be false
  end

  it "of a text that is shorter, as long as one word is left; of a script without spaces, three signs" do
    expect(left("text", "Fog days", "Fog day")).to be true
    expect(left("text", "Fog days", "Night boats")).to be false
    expect(left("text", "霧の日は船が待ちます", "霧の日は船が出ます")).to be true
    expect(left("text", "霧の日は船が待ちます", "明朝六時出航")).to be false
  end

  it "as long as one file is left; of everything else as long as there is something" do
    expect(left("media", %w[a b], %w[b c])).to be true
    expect(left("media", %w[a b], %w[c])).to be false
    expect(left("link", { "address" => "x" }, { "address" => "y" })).to be true
    expect(left("link", nil, { "address" => "y" })).to be false
  end
end
