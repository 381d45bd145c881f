# frozen_string_literal: true

RSpec.describe "The revisions of a post" do
  # Asked, sent back, changed, asked again.
  let(:post) do
    world.draft.tap do |id|
      world.ask(id, 0)
      world.answer(id, :wren, "change", "Say which boat.")
      world.write(id, "text", "When fog sits on the estuary, the late boat does not guess.")
      world.act(
        "Posts::UpdatePart",
        :ines,
        post_id: id,
        channel_id: world.channel(:vitrine),
        part: "time",
        value: {
          "wall" => "2026-10-15T12:10",
          "zone" => "Europe/Lisbon"
        },
        version: 0
      )
      world.ask(id, 0)
    end
  end

  def revisions(who = :ines, **more) = world.act("Posts::Revisions", who, post_id: post, **more)

  it "are listed newest first, with who kept them and what for" do
    expect(revisions[:revisions].map { |one| one.slice(:number, :by, :for) }).to eq [
         { number: 2, by: "Ines Calloway", for: ["asked"] },
         { number: 1, by: "Ines Calloway", for: ["asked"] }
       ]
    expect(revisions[:compared]).to be_nil
  end

  it "any two lie beside each other, channel by channel, out of what was kept" do
    compared = revisions(from: 2, to: 1)[:compared]
    expect(compared.slice(:from, :to)).to eq(from: 1, to: 2)
    ticker, vitrine = compared[:adaptations]
    expect([ticker[:channel][:name], ticker[:change], ticker[:lines]]).to eq ["Ticker", "changed", []]
    expect(ticker[:text].select { |run| run[:kind] == "new" }.map { |run| run[:words] }.join).to include "late boat"
    expect(vitrine[:lines]).to eq [
         { key: "time", label: "Time", before: "Thu 15 Oct 2026, 7:30", after: "Thu 15 Oct 2026, 12:10" }
       ]
    expect(vitrine[:media]).to include(changed: false)
    world.answer(post, :wren, "change", "Once more.")
    world.write(post, "text", "Live words that nobody was asked for")
    expect(revisions(from: 1, to: 2)[:compared]).to eq compared
  end

  it "a revision that is not there, or a post of another client, is not found" do
    expect { revisions(from: 1, to: 9) }.to raise_error(AskFirst::Core::NotFound)
    expect { world.act("Posts::Revisions", :ines, :brackwater, post_id: post) }.to raise_error(AskFirst::Core::NotFound)
  end

  it "somebody limited to a channel sees that channel's, and the client's side none" do
    row =
      AskFirst::Store::People::Members.find(
        world.environment.db,
        world.person(:maro),
        world.workspace,
        world.environment.now
      )
    limited = AskFirst::App::Member.from_row(row.merge(limited: true, channel_ids: [world.channel(:vitrine)]))
    expect(revisions(limited, from: 1, to: 2)[:compared][:adaptations].map { |one| one[:channel][:name] }).to eq [
         "Vitrine"
       ]
    expect { revisions(:odile) }.to raise_error(AskFirst::Core::NotFound)
  end
end
