# frozen_string_literal: true

RSpec.describe "What goes out around a post" do
  let(:client) { fresh_client }
  let(:one) { leaflet("One") }
  let(:two) { leaflet("Two") }

  def leaflet(name) =
    world.act("Channels::AddOffline", :ines, client, name: name, initials: name[0], limit: 400, pictures: 1)
  def codes(post) =
    world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].to_h do |shown|
      [shown[:channel][:name], shown[:proof][:checks].map { |check| check[:code] }]
    end

  it "is said on the sheet: a flood on its own channels, until one has a time of its own" do
    post = plain_post(client, [one, two], text: "The late boat waits until the far pier is in sight.")
    expect(codes(post)).to eq("One" => ["flooding"], "Two" => ["flooding"])
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: two,
      part: "time",
      value: {
        "wall" => "2026-10-15T12:10",
        "zone" => "Europe/Lisbon"
      },
      version: 0
    )
    expect(codes(post)).to eq("One" => [], "Two" => [])
  end

  it "a repeat of another post there, by the words that each channel gets" do
    plain_post(client, one, text: "The late boat waits until the far pier is in sight.", wall: "2026-10-20T09:00")
    post =
      plain_post(
        client,
        [one, two],
        text: "The late boat waits until the far pier is in sight!",
        wall: "2026-10-28T09:00"
      )
    expect(codes(post)["One"]).to include "repeat"
    expect(codes(post)["Two"]).not_to include "repeat"
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: one,
      part: "text",
      value: "Something else about lamps.",
      version: 0
    )
    expect(codes(post)["One"]).not_to include "repeat"
  end

  it "nothing of another client, whatever it says and when" do
    other = fresh_client
    text = "The late boat waits until the far pier is in sight."
    plain_post(
      other,
      world.act("Channels::AddOffline", :ines, other, name: "One", initials: "O", limit: 400, pictures: 1),
      text: text
    )
    expect(codes(plain_post(client, one, text: text))).to eq("One" => [])
  end

  it "an offer that is over by then and a day off are warnings that do not stop a release" do
    world.act("Clients::UpdateSettings", :ines, client, version: 1, holidays: "pt")
    post = ready_post(client, one, text: "Half price until 12 October.", wall: "2026-12-08T09:00")
    expect(codes(post)["One"]).to match_array %w[end_is_over day_off]
    world.release(post, client: client)
    expect(world.stage(post)).to eq "released"
  end
end
