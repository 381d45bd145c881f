# frozen_string_literal: true

RSpec.describe "Writing a post" do
  def part(post, name, on: nil)
    db[:parts].where(post_id: post, part: name, channel_id: on && world.channel(on)).first
  end

  it "a channel gets its own text and can be set back to follow the master" do
    post = world.draft(picture: false)
    world.write(post, "text", "Fog? Look at the lamp.", on: :ticker)
    texts = -> { world.post_state(post).adaptations.to_h { |one| [one.channel[:network], one.request["text"]] } }
    expect(texts.call).to eq(
      "Ticker" => "Fog? Look at the lamp.",
      "Vitrine" => "When fog sits on the estuary, the 7:20 does not guess."
    )
    world.act("Posts::FollowMaster", :maro, post_id: post, channel_id: world.channel(:ticker), part: "text", version: 1)
    expect(texts.call.values.uniq.size).to eq 1
  end

  it "keeps a draft that is empty, over its limit or without a channel: save works at any time" do
    post = world.act("Posts::CreatePost", :ines, subject: "")
    world.write(post, "text", "x" * 5_000)
    world.write(post, "text", "")
    expect(world.stage(post)).to eq "drafting"
  end

  it "two people change one part: the second gets the other's value, and nothing is overwritten" do
    post = world.draft(picture: false)
    world.write(post, "text", "Maro's words")
    error =
      refusal do
        world.act(
          "Posts::UpdatePart",
          :wren,
          post_id: post,
          channel_id: nil,
          part: "text",
          value: "Wren's words",
          version: 1
        )
      end
    expect(error).to be_a AskFirst::Core::Conflict
    expect(error.code).to eq "part_changed"
    expect(error.facts).to include(
      "theirs" => "Maro's words",
      "version" => 2,
      "by" => "Maro Lindqvist",
      "mine" => false,
      "runs" => [{ kind: "gone", words: "Maro's" }, { kind: "new", words: "Wren's" }, { kind: "same", words: " words" }]
    )
    expect(part(post, "text")[:value]).to eq "Maro's words"
  end

  it "one person in two windows is not told of somebody else's words" do
    post = world.draft(picture: false)
    world.write(post, "text", "In one window", who: :wren)
    save = { post_id: post, channel_id: nil, part: "text", value: "In the other window", version: 1 }
    error = refusal { world.act("Posts::UpdatePart", :wren, **save) }
    expect(error.message).to start_with "You changed this in another window meanwhile."
    expect(error.facts).to include("mine" => true, "by" => "You")
    expect(error.way_on).to eq "Look at both, then keep one, or both."
  end

  it "two people change different parts without meeting" do
    post = world.draft(picture: false)
    world.write(post, "text", "Words")
    world.illustrate(post)
    expect(part(post, "text")[:value]).to eq "Words"
    expect(part(post, "media")[:value].size).to eq 1
  end

  it "a designer changes pictures and not a letter; a copywriter words and no picture; each is told who can" do
    post = world.draft
    error = refusal { world.write(post, "text", "better", who: :sunniva) }
    expect([error.code, error.message]).to eq ["not_yours", "Your role here cannot change copy."]
    expect(error.way_on).to include "Maro Lindqvist"
    expect(refusal { world.write(post, "media", [], who: :maro) }.message).to include "pictures"
  end

  it "refuses a channel and a picture of another client as if they did not exist" do
    post = world.draft
    theirs = world.channel(:ticker, :brackwater)
    expect(
      refusal { world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: [theirs]) }.code
    ).to eq "no_such_channel"
    expect(
      refusal do
        world.act("Posts::UpdatePart", :maro, post_id: post, channel_id: theirs, part: "text", value: "x", version: 0)
      end.code
    ).to eq "not_found"
    picture = world.act("Media::UploadMedia", :sunniva, :brackwater, io: SpecWorld.picture, name: "dome.jpg")
    expect(refusal { world.write(post, "media", [picture[:id]], who: :sunniva) }.code).to eq "no_such_picture"
  end

  it "the database refuses a row of one client that points at another's, whatever the code does" do
    post = world.draft
    row = {
      workspace_id: world.workspace,
      id: AskFirst::Core::Uuid.v7(Time.now),
      post_id: post,
      channel_id: world.channel(:ticker, :brackwater),
      created_at: Time.now
    }
    expect { db[:adaptations].insert(row) }.to raise_error(Sequel::ForeignKeyConstraintViolation)
  end

  it "remembers everybody of whose words three in a row are left in a part as its author" do
    post = world.draft(picture: false)
    authors = -> { part(post, "text")[:authors].to_a }
    world.write(post, "text", "When fog sits on the pier, nobody guesses.", who: :wren)
    expect(authors.call).to match_array [world.person(:maro), world.person(:wren)]
    world.write(post, "text", "Nobody waits for fog.", who: :wren)
    expect(authors.call).to eq [world.person(:wren)]
    world.write(post, "text", "", who: :wren)
    world.write(post, "text", "Ines alone", who: :ines)
    expect(authors.call).to eq [world.person(:ines)]
  end

  it "a channel that comes back finds its own text again" do
    post = world.draft(picture: false)
    world.write(post, "text", "Own", on: :ticker)
    [[:vitrine], %i[ticker vitrine]].each do |chosen|
      world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: chosen.map { |one| world.channel(one) })
    end
    expect(
      world.post_state(post).adaptations.find { |one| one.channel[:network] == "Ticker" }.request["text"]
    ).to eq "Own"
  end

  it "unchanged content makes no new revision" do
    post = world.draft
    world.ask(post, 0)
    world.act("Signoff::WithdrawAsk", :ines, ask_id: world.line(post)[:ask_id])
    world.ask(post, 0)
    expect(db[:revisions].where(post_id: post).count).to eq 1
    world.answer(post, :wren, "change", "Shorter")
    world.write(post, "text", "Shorter.")
    world.ask(post, 0)
    expect(db[:revisions].where(post_id: post).count).to eq 2
  end

  it "the record tells each act in order, and nobody can change it" do
    post = world.draft(channels: [:ticker], picture: false)
    expect(world.acts(post)).to eq %w[post_made channel_added part_saved part_saved]
    expect { db[:record].where(post_id: post).update(act: "nothing") }.to raise_error(
      Sequel::DatabaseError,
      /permission denied|never changed/
    )
    expect { world.owner[:record].where(post_id: post).delete }.to raise_error(Sequel::DatabaseError, /never changed/)
  end

  it "a subject line is versioned like a part" do
    post = world.draft(picture: false)
    expect(world.act("Posts::Rename", :ines, post_id: post, subject: "Fog", version: 1)).to eq 2
    expect(refusal { world.act("Posts::Rename", :wren, post_id: post, subject: "Mist", version: 1) }.facts).to include(
      "theirs" => "Fog"
    )
  end
end
