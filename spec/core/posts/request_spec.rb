# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Request do
  let(:link) { { "address" => "https://a.example/x", "tags" => nil, "card" => nil, "bare" => "keep" } }
  let(:files) { { "m1" => described_class::File.new(digest: "d1") } }
  let(:parts) do
    AskFirst::Core::Posts::Parts.resolve(
      { "text" => "Fog", "link" => link, "media" => ["m1"], "descriptions" => { "m1" => "A ferry" } },
      {}
    )
  end

  def build(card = {}, given = parts, **more)
    described_class.build(
      given,
      described_class::Place.new(
        account: "https://ticker.example/@quillmere",
        card: card_of(card),
        network: "Ticker",
        files: files,
        **more
      )
    )
  end

  it "puts the link below the text, after a blank line, where the network shows no link card" do
    expect(build["text"]).to eq "Fog\n\nhttps://a.example/x"
  end

  it "leaves the link out of the text where there is a link card, or where the text holds it already" do
    expect(build({ "link_card" => true })["text"]).to eq "Fog"
    expect(build({}, parts.merge("text" => "See https://a.example/x"))["text"]).to eq "See https://a.example/x"
  end

  it "sends the final address with its tags wherever the text holds the bare one" do
    tags = { "source" => "ticker" }
    expect(build({}, parts.merge("text" => "See https://a.example/x, then go."), tags: tags)).to include(
      "text" => "See https://a.example/x?utm_source=ticker, then go.",
      "link" => "https://a.example/x?utm_source=ticker"
    )
    expect(
      build({}, parts.merge("link" => link.merge("tags" => { "source" => "own" })), tags: tags)["link"]
    ).to eq "https://a.example/x?utm_source=own"
  end

  it "does so at each place where it stands, and changes nothing of what was written" do
    written = "https://a.example/x is near; so is https://a.example/x!"
    expect(
      build({}, parts.merge("text" => written), tags: { "source" => "t" })["text"]
    ).to eq "https://a.example/x?utm_source=t is near; so is https://a.example/x?utm_source=t!"
    expect(written).to eq "https://a.example/x is near; so is https://a.example/x!"
    expect(
      build({}, parts.merge("text" => "https://a.example/xyz and https://a.example/x"), tags: { "source" => "t" })[
        "text"
      ]
    ).to eq "https://a.example/xyz and https://a.example/x?utm_source=t"
  end

  it "keeps the bare address where it is to be dropped but no card is shown, and where a card is shown but nobody " \
       "dropped it" do
    kept = parts.merge("text" => "See https://a.example/x")
    expect(build({ "link_card" => true }, kept)["text"]).to eq "See https://a.example/x"
    expect(build({}, kept.merge("link" => link.merge("bare" => "drop")))["text"]).to eq "See https://a.example/x"
    expect(
      build(
        { "link_card" => true },
        kept.merge("text" => "https://a.example/x and https://a.example/x", "link" => link.merge("bare" => "drop"))
      )[
        "text"
      ]
    ).to eq " and"
  end

  it "carries a video with its kind and its length, a document with its kind alone" do
    files = {
      "m1" => described_class::File.new(digest: "d1", kind: "video", ms: 9_000),
      "m2" => described_class::File.new(digest: "d2", kind: "document")
    }
    built = build({}, parts.merge("media" => %w[m1 m2], "descriptions" => {}), files: files)
    expect(built["media"]).to eq [
         { "digest" => "d1", "description" => "", "kind" => "video", "length" => 9_000 },
         { "digest" => "d2", "description" => "", "kind" => "document" }
       ]
  end

  it "takes the bare address out of the text where a card is shown and a person wants it so" do
    dropped =
      parts.merge(
        "text" => "Look at the lamp: https://a.example/x before you leave.",
        "link" => link.merge("bare" => "drop")
      )
    expect(build({ "link_card" => true }, dropped)["text"]).to eq "Look at the lamp: before you leave."
    expect(build({}, dropped)["text"]).to include "https://a.example/x"
  end

  it "spells a mention as its network wants it, and gives the plain name where there is no spelling" do
    book =
      AskFirst::Core::Posts::Mentions::Book.new(
        [{ name: "Harbour Museum", network: "Ticker", spelling: "@harbour.museum" }]
      )
    said = parts.merge("text" => "With @[Harbour Museum] and @[The Pilot]", "link" => nil)
    expect(build({}, said, book: book)["text"]).to eq "With @harbour.museum and The Pilot"
  end

  it "leaves out what the network does not take, and what the format does not use" do
    more =
      parts.merge(
        "first_comment" => "More",
        "call_to_action" => "Book now",
        "budget" => {
          "minor" => 1,
          "currency" => "EUR"
        },
        "event" => {
          "name" => "Fair"
        },
        "audience" => {
          "places" => ["Lisbon"],
          "languages" => ["pt"]
        }
      )
    expect(build({}, more).values_at("first_comment", "call_to_action", "budget", "event", "audience")).to eq [
         "",
         nil,
         nil,
         nil,
         nil
       ]
    card = {
      "first_comment" => {
        "limit" => 9
      },
      "call_to_action" => {
        "kinds" => ["Book now"]
      },
      "budget" => true,
      "event" => true,
      "audience" => ["places"]
    }
    expect(build(card, more).values_at("first_comment", "call_to_action", "audience")).to eq [
         "More",
         "Book now",
         { "places" => ["Lisbon"] }
       ]
    expect(build({}, parts.merge("format" => "text"))["media"]).to eq []
    expect(build({}, parts.merge("format" => "story"))["text"]).to eq ""
  end

  it "tags people on the pictures that go out, by the network's spelling" do
    book = AskFirst::Core::Posts::Mentions::Book.new([{ name: "Per", network: "Ticker", spelling: "@per" }])
    tagged =
      parts.merge(
        "tagged" => [
          { "name" => "Per", "media" => "m1", "x" => 500, "y" => 250 },
          { "name" => "Nobody", "media" => "m1", "x" => 1, "y" => 1 }
        ]
      )
    expect(build({ "tagged" => { "most" => 2 } }, tagged, book: book)["tagged"]).to eq [
         { "id" => "@per", "media" => 0, "x" => 500, "y" => 250 }
       ]
    expect(build({}, tagged, book: book)["tagged"]).to eq []
  end

  it "carries a link card only where a person wrote one and the network shows it" do
    written =
      parts.merge(
        "media" => [],
        "link" => link.merge("card" => { "title" => "The lamp", "words" => "Green", "picture" => "m1" })
      )
    expect(build({ "link_card" => true }, written)["link_card"]).to eq(
      "title" => "The lamp",
      "words" => "Green",
      "picture" => "d1"
    )
    expect(build({}, written)["link_card"]).to be_nil
    expect(build({ "link_card" => true }, written.merge("link" => link))["link_card"]).to be_nil
  end

  it "carries each picture as the digest of what will be sent, with its description" do
    expect(build["media"]).to eq [{ "digest" => "d1", "description" => "A ferry" }]
  end

  it "holds nothing immaterial: no subject, label, owner or time" do
    expect(build.keys).to contain_exactly(
      "account",
      "text",
      "link",
      "link_card",
      "media",
      "tagged",
      "first_comment",
      "call_to_action",
      "format",
      "audience",
      "event",
      "budget"
    )
  end

  it "is for one account, with the budget and the event where the network takes them, and without where it does not" do
    more = {
      "budget" => {
        "amount" => 2_000,
        "currency" => "EUR"
      },
      "event" => {
        "title" => "Fair"
      },
      "first_comment" => "More below."
    }
    takes = { "budget" => true, "event" => true, "first_comment" => { "limit" => 200 } }
    expect(build(takes, parts.merge(more))).to include("account" => "https://ticker.example/@quillmere", **more)
    expect(build({}, parts.merge(more))).to include("budget" => nil, "event" => nil, "first_comment" => "")
  end
end

RSpec.describe AskFirst::Core::Posts::Fingerprint do
  let(:request) do
    AskFirst::Core::Posts::Request.build(
      AskFirst::Core::Posts::Parts.resolve({ "text" => "Fog" }, {}),
      AskFirst::Core::Posts::Request::Place.new(account: "a", card: card_of({}))
    )
  end

  it "is the same for the same content, whatever the order of its keys" do
    expect(described_class.of(request)).to eq described_class.of(request.to_a.reverse.to_h)
    expect(described_class.of(request)).to match(/\A[0-9a-f]{64}\z/)
  end

  it "differs with every material part" do
    changed =
      request.keys.map do |key|
        request.merge(
          key => { "media" => [{ "digest" => "d", "description" => "" }], "link_card" => { "title" => "T" } }.fetch(
            key,
            "other"
          )
        )
      end
    prints = changed.map { |one| described_class.of(one) }
    expect(prints.uniq.size).to eq request.size
    expect(prints).not_to include described_class.of(request)
  end

  it "does not exist while a picture has not been rendered: then no yes can count" do
    expect(described_class.of(request.merge("media" => [{ "digest" => nil, "description" => "" }]))).to be_nil
    card = { "title" => "T", "words" => "", "picture" => nil }
    expect(described_class.of(request.merge("link_card" => card))).to be_nil
    expect(described_class.of(request.merge("link_card" => card.except("picture")))).not_to be_nil
  end
end
