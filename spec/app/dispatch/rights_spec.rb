# frozen_string_literal: true

# The right to use a file that ends between the yes and the minute.
RSpec.describe "A right to use a file that ends before it goes out" do
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }

  # Released for 15 October, with a picture that may be used until the given day.
  def released(until_day)
    world
      .draft(channels: [:ticker])
      .tap do |post|
        world.clear(post)
        world.release(post)
        usable(post, until_day)
      end
  end

  def media(post) = db[:parts].where(post_id: post, part: "media").get(:value).to_a.first
  def usable(post, day) = world.owner[:media].where(id: media(post)).update(usable_until: day)
  def tell = AskFirst::App::Dispatch::TellOfRights.all(world.jobs)
  def told(post)
    db[:notices].where(post_id: post, person_id: world.person(:ines), kind: "trouble").select_map(:words)
  end
  def stops(value) = world.owner[:workspaces].where(id: world.workspace).update(stops_without_right: value)

  after { stops(false) }

  it "is told to whoever released it a day before, and once more when it is over; each once" do
    post = released("2026-10-14")
    world.clock.set(Time.utc(2026, 10, 12, 12))
    tell
    expect(told(post)).to eq []
    world.clock.set(Time.utc(2026, 10, 13, 12))
    2.times { tell }
    expect(told(post)).to match [/“boat.jpg” may be used until 14 October 2026, and “Fog days” goes out on 15 October/]
    world.clock.set(Time.utc(2026, 10, 14, 23, 30)) # half past midnight in Lisbon
    2.times { tell }
    expect(told(post).size).to eq 2
    expect(world.acts(post).count("right_told")).to eq 2
  end

  it "is told at once where it has ended already, and not where it lasts" do
    world.clock.set(Time.utc(2026, 10, 14, 12))
    ended = released("2026-10-01")
    lasting = released("2026-10-15")
    tell
    expect(told(ended).size).to eq 1
    expect(told(lasting)).to eq []
  end

  it "goes out all the same, where the client has no such rule" do
    post = released("2026-10-14")
    expect(world.post_state(post).adaptations.first.unusable).to be_nil
  end

  it "stops it where the client's rule says so: neither released, nor sent, nor published by hand" do
    post = released("2026-10-14")
    stops(true)
    sentence = /“boat.jpg” may be used until 14 October 2026: by this client's rule/
    tell
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    AskFirst::App::Dispatch::Advance.call(
      world.environment,
      process,
      showing_id: db[:showings].where(post_id: post).get(:id)
    )
    expect(db[:showings].where(post_id: post).get(%i[state trouble])).to match ["trouble", sentence]
    expect(told(post).join).to match sentence
    world.clock.set(SpecWorld::NOON)
    other = world.draft(channels: [:ticker])
    world.clear(other)
    usable(other, "2026-10-14")
    error = refusal { world.release(other) }
    expect([error.code, error.message]).to match ["right_ended", sentence]
    expect(error.way_on).to include "Plan it earlier"
    usable(other, "2026-10-15") # the last day counts
    world.release(other)
    expect(world.stage(other)).to eq "released"
  end
end
