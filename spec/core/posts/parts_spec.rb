# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::Parts do
  it "gives a channel its own part, else the master's, else nothing" do
    parts = described_class.resolve({ "text" => "master", "link" => "https://a.example" }, { "text" => "own" })
    expect(parts).to include("text" => "own", "link" => "https://a.example", "media" => [], "budget" => nil)
  end

  it "lets an own part be empty: empty is a value, not following" do
    expect(described_class.resolve({ "link" => "https://a.example" }, { "link" => nil })["link"]).to be_nil
  end

  it "names every part once, each open to somebody" do
    expect(described_class::ALL).to eq %w[
         text
         link
         first_comment
         call_to_action
         tagged
         descriptions
         media
         framing
         format
         time
         event
         audience
         budget
       ]
    expect(described_class::GROUPS.values.flatten.uniq).to contain_exactly("copy", "visuals", "timing", "all")
  end

  it "keeps the time out of what is sealed" do
    expect(described_class::MATERIAL).not_to include "time"
  end

  it "knows which channels a change of the master reaches" do
    expect(
      described_class.followers("text", { "a" => { "text" => "own" }, "b" => {}, "c" => { "link" => nil } })
    ).to eq %w[b c]
  end
end
