# frozen_string_literal: true

RSpec.describe "The brand sheet" do
  let(:client) { fresh_client }

  def sheet = world.act("Clients::BrandSheet", :ines, client)
  def save(part, value, version: 0, who: :ines) =
    world.act("Clients::UpdateBrandPart", who, client, part: part, value: value, version: version)

  it "shows each pair of colours with its contrast and what it is good for" do
    save(
      "colours",
      [
        { "name" => "ink", "hex" => "#000000" },
        { "name" => "paper", "hex" => "#ffffff" },
        { "name" => "grey", "hex" => "#777777" }
      ]
    )
    pairs = sheet[:contrasts].to_h { |pair| [[pair[:one], pair[:other]], pair.values_at(:ratio, :good_for)] }
    # WCAG 2.2: black on white is 21:1; #777777 on white is 4.48:1, under the 4.5 that text needs (values from memory)
    expect(pairs[%w[#000000 #FFFFFF]]).to eq [21.0, "text"]
    expect(pairs[%w[#FFFFFF #777777]]).to eq [4.47, "large"]
    expect(sheet[:contrasts].map { |pair| pair[:ratio] }).to eq(
      sheet[:contrasts].map { |pair| pair[:ratio] }.sort.reverse
    )
  end

  it "keeps voice, do and don't, links and hashtag sets, each by itself" do
    save("voice", "A deckhand who has time.")
    save("do", "Say the pier.")
    save("links", [{ "title" => "Lamp", "address" => "https://quillmere.example/lamp" }])
    save("hashtags", [{ "name" => "nights", "tags" => %w[#darksky brackwater] }])
    parts = sheet[:parts].transform_values { |part| part[:value] }
    expect(parts).to include("voice" => "A deckhand who has time.", "do" => "Say the pier.", "dont" => "")
    expect(parts["hashtags"]).to eq [{ "name" => "nights", "tags" => %w[darksky brackwater] }]
    expect(sheet[:parts]["voice"]).to include(version: 1, by: "Ines Calloway")
  end

  it "refuses what is not a colour or a link at its field, and a save that did not see another's" do
    expect { save("colours", [{ "name" => "sea", "hex" => "blue" }]) }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.field).to start_with "colours"
    }
    expect { save("links", [{ "title" => "x", "address" => "javascript:alert(1)" }]) }.to raise_error(
      AskFirst::Core::Invalid
    ) { |error| expect(error.field).to start_with "links" }
    save("voice", "Dry.")
    expect { save("voice", "Warm.", who: :bram) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.facts).to include("theirs" => "Dry.", "by" => "Ines Calloway", "version" => 1)
    }
    expect(save("voice", "Dry.", version: 1)).to eq 1 # saved as it was: no new version
  end

  it "keeps files, which only go out as downloads through the same check" do
    id =
      world.act(
        "Clients::AddBrandFile",
        :ines,
        client,
        io: StringIO.new("guidelines"),
        name: "../../etc/Brand rules.txt"
      )
    expect(sheet[:files]).to match [a_hash_including(id: id, name: "Brand rules.txt", bytes: 10, by: "Ines Calloway")]
    opened = world.act("Clients::OpenFile::Brand", :ines, client, file_id: id)
    expect(File.read(opened[:path])).to eq "guidelines"
    expect { world.act("Clients::OpenFile::Brand", :ines, :quillmere, file_id: id) }.to raise_error(
      AskFirst::Core::NotFound
    )
    expect { world.act("Clients::AddBrandFile", :ines, client, io: StringIO.new(""), name: "x") }.to raise_error(
      AskFirst::Core::Invalid
    ) { |error| expect(error.code).to eq "file_empty" }
    world.act("Clients::RemoveBrandFile", :ines, client, file_id: id)
    expect(sheet[:files]).to be_empty
    expect { world.act("Clients::OpenFile::Brand", :ines, client, file_id: id) }.to raise_error(
      AskFirst::Core::NotFound
    )
  end

  it "is read by whoever writes and changed by whoever governs; the client's people have no part in it" do
    expect(world.act("Clients::BrandSheet", :maro)[:can]["change_settings"][:ok]).to be false
    expect { world.act("Clients::UpdateBrandPart", :maro, part: "voice", value: "x", version: 0) }.to raise_error(
      AskFirst::Core::Refused
    )
    expect { world.act("Clients::BrandSheet", :odile) }.to raise_error(AskFirst::Core::Refused)
  end
end
