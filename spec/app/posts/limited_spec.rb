# frozen_string_literal: true

# Somebody whose part is limited to channels opens a post that goes to others as well.
RSpec.describe "The post sheet of somebody limited to a channel" do
  let(:post) do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren, "change", "On Ticker say which boat.", only: [world.adaptation(post, :ticker)])
    post
  end
  let(:limited) do
    row =
      AskFirst::Store::People::Members.find(
        world.environment.db,
        world.person(:maro),
        world.workspace,
        world.environment.now
      )
    AskFirst::App::Member.from_row(row.merge(limited: true, channel_ids: [world.channel(:vitrine)]))
  end
  let(:sheet) { world.act("Posts::PostSheet", limited, post_id: post) }

  it "has their column alone, and says how many others there are" do
    expect(sheet[:adaptations].map { |one| one[:channel][:name] }).to eq ["Vitrine"]
    expect(sheet[:other_channels]).to eq 1
    expect(sheet[:channels].map { |one| one[:name] }).to eq ["Vitrine"]
  end

  it "has no answer that was given on another channel, and all of those on theirs" do
    expect(sheet[:answers]).to eq []
    expect(
      world.act("Posts::PostSheet", :ines, post_id: post)[:answers].map { |one| one.values_at(:words, :channels) }
    ).to eq [["On Ticker say which boat.", ["Ticker"]]]
    world.answer(post, :wren, "change", "And here say when.", only: [world.adaptation(post, :vitrine)])
    expect(
      world.act("Posts::PostSheet", limited, post_id: post)[:answers].map { |one| one.values_at(:words, :channels) }
    ).to eq [["And here say when.", ["Vitrine"]]]
  end

  it "has no file that only another channel uses" do
    post
    other = world.act("Media::UploadMedia", :ines, io: SpecWorld.picture(8), name: "only-there.jpg")[:id]
    if world.post_state(post).adaptations.any? { |one| one.verdict.sealed? }
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
    end
    world.write(post, "media", [other], on: :ticker, who: :ines)
    expect(sheet[:media].values.map { |file| file[:name] }).not_to include("only-there.jpg")
    expect(world.act("Posts::PostSheet", :ines, post_id: post)[:media].keys).to include(other)
  end

  it "names a hold on their channel and one on everything, and none on another channel" do
    post
    put = ->(network) do
      world.act(
        "Signoff::Hold",
        :ines,
        channel_id: network && world.channel(network),
        reason: "Storm on #{network || "everything"}"
      )
    end
    ids = [:ticker, :vitrine, nil].map { |network| put.call(network) }
    expect(sheet[:holds].map { |one| one[:reason] }).to contain_exactly("Storm on vitrine", "Storm on everything")
  ensure
    if ids
      db[:holds]
        .where(workspace_id: world.workspace, lifted_at: nil)
        .select_map(:id)
        .each { |id| world.act("Signoff::LiftHold", :ines, hold_id: id) }
    end
  end
end
