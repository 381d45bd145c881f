# frozen_string_literal: true

RSpec.describe "Channels that would say the same at once" do
  let(:client) { fresh_client }
  let(:channels) { %w[ticker guildhall commons].map { |network| connected(client, network) } }
  let(:post) { plain_post(client, channels) }

  def sheet = world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations]
  def flood = sheet.first[:proof][:checks].find { |check| check[:code] == "flooding" }
  def proposal = flood[:mend][:times].to_h { |one| one.values_at(:channel_id, :wall) }
  def spread(times = proposal) = world.act("Posts::SpreadOut", :ines, client, post_id: post, times: times)
  def walls = sheet.to_h { |one| [one[:channel][:id], one[:parts]["time"][:value]["wall"][0, 16]] }

  it "are proposed times of their own, 20 minutes apart, and one act sets them all, each on record" do
    expect(proposal).to eq(channels[1] => "2026-10-15T07:50", channels[2] => "2026-10-15T08:10")
    spread
    expect(walls).to eq(
      channels[0] => "2026-10-15T07:30",
      channels[1] => "2026-10-15T07:50",
      channels[2] => "2026-10-15T08:10"
    )
    expect(flood).to be_nil
    expect(
      db[:record]
        .where(post_id: post, act: "part_saved")
        .order(:order_no)
        .select_map(:facts)
        .last(2)
        .map { |facts| facts.values_at("part", "channel") }
    ).to eq [["time", sheet[1][:channel][:name]], ["time", sheet[2][:channel][:name]]]
  end

  it "are proposed what keeps clear of other posts of the client" do
    plain_post(client, channels[1], text: "Low tide at noon, mind the step.", wall: "2026-10-15T07:55")
    expect(proposal).to eq(channels[1] => "2026-10-15T08:10", channels[2] => "2026-10-15T07:50")
  end

  it "are left alone when the proposal is not the one that was seen, or was made by somebody's guess" do
    seen = proposal
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: channels[1],
      part: "time",
      value: {
        "wall" => "2026-10-15T12:10",
        "zone" => "Europe/Lisbon"
      },
      version: 0
    )
    expect(refused { spread(seen) }).to eq "proposal_changed"
    expect(refused { spread(channels[2] => "2026-10-15T23:10") }).to eq "proposal_changed"
    expect(walls.values_at(channels[0], channels[2])).to eq ["2026-10-15T07:30"] * 2
  end

  it "are moved by whoever may set times, and nobody else: not one of them" do
    post = world.draft(text: "The late boat waits for you at the far pier tonight.")
    times =
      world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].first[:proof][:checks].find do |check|
        check[:code] == "flooding"
      end[
        :mend
      ][
        :times
      ].to_h { |one| one.values_at(:channel_id, :wall) }
    expect(refused { world.act("Posts::SpreadOut", :sunniva, post_id: post, times: times) }).to eq "not_yours"
    expect(db[:parts].where(post_id: post, part: "time").exclude(channel_id: nil).count).to eq 0
  end

  it "move with their release, whose yeses still count on that day" do
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    world.release(post, client: client)
    spread
    expect(world.stages(post, client).values.uniq).to eq ["released"]
    expect(db[:releases].where(adaptation_id: sheet[2][:id], ended_at: nil).get(:at)).to eq Time.utc(
         2026,
         10,
         15,
         7,
         10
       )
  end

  it "are moved where a yes was given for the day and not for the minute: it still counts" do
    one_step_route(client)
    world.ask(post, 0, client: client)
    world.answer(post, :bram, client: client)
    spread
    expect(walls[channels[2]]).to eq "2026-10-15T08:10"
    expect(world.stages(post, client).values.uniq).to eq ["cleared"]
  end

  it "are not moved at the price of a yes: where any change of time costs one, that is set by hand" do
    world.act(
      "Clients::UpdateSettings",
      :ines,
      client,
      version: db[:workspaces].where(id: world.workspace(client)).get(:version),
      time_policy: "always"
    )
    one_step_route(client)
    world.ask(post, 0, client: client)
    world.answer(post, :bram, client: client)
    expect(world.stages(post, client).values.uniq).to eq ["cleared"]
    expect(refused { spread }).to eq "costs_yeses"
    expect(db[:parts].where(post_id: post, part: "time").exclude(channel_id: nil).count).to eq 0
    expect(world.stages(post, client).values.uniq).to eq ["cleared"]
  end
end
