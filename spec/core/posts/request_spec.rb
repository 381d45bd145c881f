# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Request do
  let(:parts) { AskFirst::Core::Posts::Parts.resolve({ "text" => "Fog", "link" => "https://a.example/x", "media" => ["m1"], "descriptions" => { "m1" => "A ferry" } }, {}) }

  def build(card = {}, given = parts)
    described_class.build(parts: given, account: "https://ticker.example/@quillmere", card: card, pictures: { "m1" => "d1" })
  end

  it "puts the link below the text, after a blank line, where the network shows no link card" do
    expect(build["text"]).to eq "Fog\n\nhttps://a.example/x"
  end

  it "leaves the link out of the text where there is a link card, or where the text holds it already" do
    expect(build({ "link_card" => true })["text"]).to eq "Fog"
    expect(build({}, parts.merge("text" => "See https://a.example/x"))["text"]).to eq "See https://a.example/x"
  end

  it "carries each picture as the digest of what will be sent, with its description" do
    expect(build["media"]).to eq [{ "digest" => "d1", "description" => "A ferry" }]
  end

  it "holds nothing immaterial: no subject, label, owner or time" do
    expect(build.keys).to contain_exactly("account", "text", "link", "link_card", "media", "tagged", "first_comment", "call_to_action", "format",
      "audience", "event", "budget")
  end
end

RSpec.describe AskFirst::Core::Posts::Fingerprint do
  let(:request) { AskFirst::Core::Posts::Request.build(parts: AskFirst::Core::Posts::Parts.resolve({ "text" => "Fog" }, {}), account: "a", card: {}) }

  it "is the same for the same content, whatever the order of its keys" do
    expect(described_class.of(request)).to eq described_class.of(request.to_a.reverse.to_h)
    expect(described_class.of(request)).to match(/\A[0-9a-f]{64}\z/)
  end

  it "differs with every material part" do
    changed = request.keys.map { |key| request.merge(key => key == "media" ? [{ "digest" => "d", "description" => "" }] : "other") }
    prints = changed.map { |one| described_class.of(one) }
    expect(prints.uniq.size).to eq request.size
    expect(prints).not_to include described_class.of(request)
  end

  it "does not exist while a picture has not been rendered: then no yes can count" do
    expect(described_class.of(request.merge("media" => [{ "digest" => nil, "description" => "" }]))).to be_nil
  end
end
