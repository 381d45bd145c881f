# frozen_string_literal: true

RSpec.describe "The checks while one types", :database do
  def check(post, value, part: "text", on: nil, who: :maro)
    world.act("Posts::CheckDraft", who, post_id: post, channel_id: on && world.channel(on), part: part, value: value)
  end

  it "say what the sheet would say if it were saved, and save nothing" do
    post = world.draft
    long = "Fog on the estuary. " * 20
    said = check(post, long)
    expect(db[:parts].where(post_id: post, part: "text").get(:value)).not_to eq long
    world.write(post, "text", long)
    sheet = world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations]
    alone = ->(proof) do
      proof.merge(checks: proof[:checks].reject { |check| %w[flooding repeat clash].include?(check[:code]) })
    end
    expect(said[:adaptations].map { |one| alone.call(one[:proof]) }).to eq(sheet.map { |one| alone.call(one[:proof]) })
    expect(said[:master][:count]).to eq 400
  end

  it "concern the channels that follow, or the one that is written for" do
    post = world.draft
    world.write(post, "text", "Fog?", on: :ticker)
    expect(check(post, "New")[:adaptations].size).to eq 1
    expect(check(post, "New", on: :ticker)[:adaptations].map { |one| one[:proof][:text] }).to eq ["New"]
  end

  it "say a flood among its own channels, and propose no times for it: that needs a look at the other posts" do
    post = world.draft(wall: "2026-10-20T07:30")
    said =
      world.act(
        "Posts::CheckDraft",
        :maro,
        post_id: post,
        channel_id: nil,
        part: "text",
        value: "Nothing but fog on the whole estuary today."
      )
    flood = said[:adaptations].map { |one| one[:proof][:checks].find { |check| check[:code] == "flooding" } }
    expect(flood.map { |check| check[:mend] }).to all(eq({ words: "give it its own time", show: "time" }))
    saved =
      world.act("Posts::PostSheet", :maro, post_id: post)[:adaptations].first[:proof][:checks].find do |check|
        check[:code] == "flooding"
      end
    expect(saved[:mend][:times].map { |one| one[:wall] }).to eq ["2026-10-20T07:50"]
  end

  it "tell a clear error for what could not be saved either" do
    expect { check(world.draft, "a\u0000b") }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.field).to eq "text"
    }
  end

  it "know the card as it is now, not as it was when the page was opened" do
    post = world.draft(channels: [:vitrine])
    expect(check(post, "x" * 50)[:adaptations].first[:proof][:limit]).to eq 2000
    card = db[:channels].where(id: world.channel(:vitrine)).get(:card).to_h
    db[:channels].where(id: world.channel(:vitrine)).update(
      card: AskFirst::Store::Database.jsonb(card.merge("text" => card["text"].merge("limit" => 40)))
    )
    expect(
      check(post, "x" * 50)[:adaptations].first[:proof][:checks].map { |one| one[:code] }
    ).to include "text_too_long"
  ensure
    db[:channels].where(id: world.channel(:vitrine)).update(card: AskFirst::Store::Database.jsonb(card))
  end
end
