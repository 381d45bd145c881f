# frozen_string_literal: true

RSpec.describe "An own text beside the master's" do
  def own_text(post, channel = "Ticker") =
    world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].find { |one| one[:channel][:name] == channel }[
      :own_text
    ]

  it "is compared word by word, and says when the master was changed since" do
    post = world.draft(text: "The 7:20 waits until the far pier is in sight.")
    expect(own_text(post)).to be_nil
    world.clock.set(SpecWorld::NOON + 60)
    world.write(post, "text", "The 7:20 waits in fog.", on: :ticker)
    expect(own_text(post)).to include(stale: false)
    expect(own_text(post)[:runs].map { |run| run[:kind] }.uniq).to match_array %w[same gone new]
    expect(
      own_text(post)[:runs].reject { |run| run[:kind] == "gone" }.map { |run| run[:words] }.join
    ).to eq "The 7:20 waits in fog."
    expect(own_text(post, "Vitrine")).to be_nil
    world.clock.set(SpecWorld::NOON + 120)
    world.write(post, "text", "The 7:20 waits until the lamp is green.")
    expect(own_text(post)[:stale]).to be true
    world.clock.set(SpecWorld::NOON + 180)
    world.write(post, "text", "The 7:20 waits; the lamp says until when.", on: :ticker)
    expect(own_text(post)[:stale]).to be false
  end
end
