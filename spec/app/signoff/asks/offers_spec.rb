# frozen_string_literal: true

# Ticker takes 300 characters.
RSpec.describe "What the sheet offers to ask for" do
  def sheet(post, who = :ines) = world.act("Posts::PostSheet", who, post_id: post)
  def offer(post) = sheet(post)[:next_ask]
  def long(post) = world.write(post, "text", "Fog. " * 80, who: :ines, on: :ticker)

  it "leaves a channel with a fault waiting, and says which fault; the others need not wait for it" do
    post = world.draft
    expect(offer(post)[:channels].map { |one| one[:off] }).to eq [nil, nil]
    long(post)
    there = offer(post)
    expect(there[:off]).to be_nil
    expect(there[:channels].to_h { |one| one.values_at(:name, :off) }).to match(
      "Ticker" => a_string_including("300"),
      "Vitrine" => nil
    )
  end

  it "is nothing where each channel has a fault, and each is told" do
    post = world.draft(channels: [:ticker])
    long(post)
    expect(offer(post)[:off]).to start_with("Ticker: ").and include("300")
  end

  it "is to say that it is ready, where the route has no step, as long as it is a draft" do
    expect(sheet(world.draft)[:ready_next]).to be false
    client = fresh_client # whose route has no step
    connected(client)
    post = plain_post(client, world.channel(:ticker, client))
    ready = -> { world.act("Posts::PostSheet", :ines, client, post_id: post)[:ready_next] }
    expect(ready.call).to be true
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    expect(ready.call).to be false
  end
end
