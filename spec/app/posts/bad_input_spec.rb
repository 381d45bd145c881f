# frozen_string_literal: true

# What comes in wrong, odd or too late has one result and a plain sentence, and nothing that was typed is lost.
RSpec.describe "What comes in while a post is written", :database do
  def text(post, on = nil) =
    db[:parts].where(post_id: post, part: "text", channel_id: on && world.channel(on)).get(:value)
  def checks(post) =
    world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof][:checks].map do |check|
      check[:code]
    end

  it "far beyond any limit: refused at the field, and what stood there stands" do
    post = world.draft
    expect(refused_at { world.write(post, "text", "x" * 100_001) }).to eq %w[too_long text]
    expect(refused_at { world.write(post, "first_comment", "x" * 5_001) }).to eq %w[too_long first_comment]
    expect(refused_at { world.write(post, "link", "https://a.example/#{"x" * 2_000}") }).to eq %w[too_long link]
    expect(text(post)).to start_with "When fog"
  end

  it "right to left, mixed and composed: kept as NFC, counted as people see it" do
    post = world.draft(channels: [:vitrine], text: "placeholder")
    mixed = "המעבורת 7:20 מחכה، القارب ينتظر. Cafe\u0301"
    world.write(post, "text", mixed)
    expect(text(post)).to eq mixed.unicode_normalize(:nfc)
    proof = world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof]
    expect(proof[:count]).to eq mixed.grapheme_clusters.size
  end

  it "invisible characters: kept, said, and taken out with one click" do
    post = world.draft(text: "Fog\u200B on the\uFEFF estuary")
    expect(checks(post)).to include "hidden_characters"
    mend =
      world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof][:checks].find do |check|
        check[:code] == "hidden_characters"
      end[
        :mend
      ]
    world.write(post, mend[:part], mend[:value])
    expect(text(post)).to eq "Fog on the estuary"
  end

  it "control characters: refused with the spot named" do
    post = world.draft
    expect(refused_at { world.write(post, "text", "Fog\u0007") }).to eq %w[bad_characters text]
  end

  it "a page with markup: plain text like any other, nowhere taken for a page" do
    post = world.draft
    world.write(post, "text", "<script>alert(1)</script><b>Fog</b> &amp; boats")
    expect(text(post)).to eq "<script>alert(1)</script><b>Fog</b> &amp; boats"
  end

  it "for a channel that was taken off meanwhile: said so, and its own part is there when it is chosen again" do
    post = world.draft
    world.write(post, "text", "Fog? The 7:20 waits.", on: :ticker)
    world.act("Posts::ChooseChannels", :ines, post_id: post, channel_ids: [world.channel(:vitrine)])
    expect(refused_at { world.write(post, "text", "Fog!", on: :ticker) }).to eq ["not_found", nil]
    world.act(
      "Posts::ChooseChannels",
      :ines,
      post_id: post,
      channel_ids: [world.channel(:vitrine), world.channel(:ticker)]
    )
    expect(
      world.post_state(post).adaptations.find { |one| one.channel[:network] == "Ticker" }.parts["text"]
    ).to eq "Fog? The 7:20 waits."
  end

  it "for a channel that lapsed meanwhile: written, asked and cleared all the same, and not released" do
    client = fresh_client
    channel = connected(client)
    post = plain_post(client, channel)
    world.act(
      "Channels::Lapse",
      AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
      client,
      channel_id: channel
    )
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: nil,
      part: "text",
      value: "Still here",
      version: 1
    )
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    expect(refused_at { world.release(post, client: client) }.first).to eq "channel_lapsed"
  end

  it "a picture that was taken out elsewhere meanwhile: the second save sees the first, its description stays" do
    post = world.draft
    picture = db[:parts].where(post_id: post, part: "media").get(:value).first
    world.write(post, "media", [], who: :sunniva)
    expect(
      refused_at do
        world.act(
          "Posts::UpdatePart",
          :sunniva,
          post_id: post,
          channel_id: nil,
          part: "media",
          value: [picture],
          version: 1
        )
      end
    ).to eq %w[part_changed media]
    world.write(post, "media", [picture], who: :sunniva)
    expect(world.post_state(post).adaptations.first.request["media"].first["description"]).to eq "A ferry in fog"
  end

  it "from two tabs of one person: the second is told, and gets what the first saved" do
    post = world.draft
    world.act("Posts::UpdatePart", :maro, post_id: post, channel_id: nil, part: "text", value: "First tab", version: 1)
    expect {
      world.act(
        "Posts::UpdatePart",
        :maro,
        post_id: post,
        channel_id: nil,
        part: "text",
        value: "Second tab",
        version: 1
      )
    }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect(error.facts.values_at("theirs", "by", "version")).to eq ["First tab", "You", 2]
    }
  end

  it "things of another client: nowhere, as if they were not there" do
    post = world.draft
    theirs = world.act("Media::UploadMedia", :sunniva, :brackwater, io: SpecWorld.picture(3), name: "dome.jpg")[:id]
    {
      "media" => [theirs],
      "framing" => {
        theirs => {
        }
      },
      "link" => {
        "address" => "https://a.example",
        "card" => {
          "title" => "x",
          "words" => "",
          "picture" => theirs
        }
      },
      "tagged" => [{ "name" => "x", "media" => theirs, "x" => 1, "y" => 1 }]
    }.each do |part, value|
      who = %w[media framing].include?(part) ? :sunniva : :maro
      expect(refused_at { world.write(post, part, value, who: who) }).to eq ["no_such_picture", part]
    end
  end
end
