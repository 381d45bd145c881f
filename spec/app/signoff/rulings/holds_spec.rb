# frozen_string_literal: true

RSpec.describe "Holds" do
  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field]
  end

  def released(channels)
    world
      .draft(channels: channels)
      .tap do |post|
        world.clear(post)
        world.release(post)
      end
  end

  after do
    %i[quillmere brackwater].each do |client|
      db[:holds]
        .where(lifted_at: nil, workspace_id: world.workspace(client))
        .select_map(:id)
        .each { |id| world.act("Signoff::LiftHold", :ines, client, hold_id: id) }
    end
  end

  it "stop one channel and leave the others running" do
    post = released(%i[ticker vitrine])
    hold = world.act("Signoff::Hold", :ines, reason: "Check the picture", channel_id: world.channel(:vitrine))
    expect(world.stages(post)).to eq(ticker: "released", vitrine: "held")
    expect(world.stage(post)).to eq "held"
    world.act("Signoff::LiftHold", :ines, hold_id: hold)
    expect(world.stages(post)).to eq(ticker: "released", vitrine: "released")
  end

  it "stop a whole client and touch no other" do
    ours = released([:ticker])
    theirs = world.draft(channels: [:ticker], client: :brackwater)
    world.clear(theirs, client: :brackwater, approver: :halima)
    world.release(theirs, client: :brackwater)
    world.act("Signoff::Hold", :tobiah, reason: "Storm warning")
    expect([world.stage(ours), world.stage(theirs)]).to eq %w[held released]
  end

  it "keep every release and every yes: lifted, all is as it was" do
    post = released([:ticker])
    before = db[:releases].where(post_id: post, ended_at: nil).select_map(:id)
    hold = world.act("Signoff::Hold", :ines, reason: "Wait")
    world.act("Signoff::LiftHold", :ines, hold_id: hold)
    expect(db[:releases].where(post_id: post, ended_at: nil).select_map(:id)).to eq before
  end

  it "need a reason, somebody who may, and are not put twice" do
    expect(code { world.act("Signoff::Hold", :ines, reason: " ") }).to eq %w[words_needed reason]
    expect(code { world.act("Signoff::Hold", :maro, reason: "No") }).to eq ["not_yours", nil]
    world.act("Signoff::Hold", :ines, reason: "Once")
    expect(code { world.act("Signoff::Hold", :ines, reason: "Twice") }).to eq ["held_already", nil]
  end

  it "on a channel of another client are refused as if it did not exist" do
    expect(
      code { world.act("Signoff::Hold", :ines, reason: "x", channel_id: world.channel(:ticker, :brackwater)) }
    ).to eq ["not_found", nil]
  end

  it "do not stop what is already cleared from being released, but from going out" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.act("Signoff::Hold", :ines, reason: "Not yet")
    world.release(post)
    expect(world.stage(post)).to eq "held"
  end
end
