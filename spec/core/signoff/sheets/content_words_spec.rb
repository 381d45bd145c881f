# frozen_string_literal: true

# On paper under the word "agreed" stands everything that somebody said yes to.
RSpec.describe AskFirst::Core::Signoff::ContentWords do
  let(:request) do
    {
      "account" => "@quillmere",
      "text" => "When fog sits on the water.\n\nThe second paragraph.",
      "link" => "https://quillmere.example/fog?from=ticker",
      "link_card" => {
        "title" => "Fog days",
        "words" => "What we do then"
      },
      "media" => [
        { "digest" => "a" * 64, "description" => "A boat in the fog" },
        { "digest" => "b" * 64, "description" => "", "kind" => "video", "length" => 12_500 }
      ],
      "tagged" => [{ "id" => "@pier", "media" => 0, "x" => 500, "y" => 250 }],
      "first_comment" => "More on the page.",
      "call_to_action" => "learn_more",
      "format" => nil,
      "audience" => {
        "places" => ["Lisbon"]
      },
      "event" => nil,
      "budget" => {
        "minor" => 2500,
        "currency" => "EUR"
      }
    }
  end
  let(:words) { described_class.of(request).to_h }

  it "are all of it, text first, each file with its description and digest" do
    expect(words.keys).to eq [
         "Words",
         "Picture 1",
         "Video 2",
         "Link",
         "Link card",
         "Tagged",
         "First comment",
         "Call to action",
         "Audience",
         "Boost",
         "Account"
       ]
    expect(words["Words"]).to eq request["text"]
    expect(words["Picture 1"]).to eq "A boat in the fog, SHA-256 #{"a" * 64}"
    expect(words["Video 2"]).to eq "no description, 12.5 s, SHA-256 #{"b" * 64}"
    expect(words["Link card"]).to include("Fog days", "What we do then")
  end

  it "say of nothing that it is nothing only where words are expected" do
    expect(described_class.of("text" => "", "media" => [], "event" => nil)).to eq [["Words", "No words"]]
  end

  it "leave out no setting that they have no words for" do
    expect(described_class.of("text" => "A", "media" => [], "new_one" => { "a" => 1 }).last).to eq(
      ["New one", '{"a":1}']
    )
  end
end
