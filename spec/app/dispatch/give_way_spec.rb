# frozen_string_literal: true

# Other work waits while posts go out.
RSpec.describe AskFirst::App::Dispatch::GiveWay do
  let(:due) { Time.utc(2026, 10, 15, 6, 30, 0) }

  before { db[:releases].where(ended_at: nil).update(ended_at: SpecWorld::NOON, ended_why: "for this spec") }

  def waited(&while_waiting)
    described_class.call(world.jobs, sleep: ->(_) { while_waiting&.call })
  end

  def released
    post = world.draft(channels: [:ticker], picture: false)
    world.clear(post)
    world.release(post)
    post
  end

  it "for what is about to be due or is being sent; not for what is planned for later, looked up or stuck" do
    expect(waited).to eq 0
    post = released
    world.clock.set(due - 3)
    expect(waited).to eq 0
    world.clock.set(due - 2)
    expect(waited { world.clock.set(due + 61) }).to eq described_class::LOOK_EVERY
    showing = db[:showings].where(post_id: post)
    world.clock.set(due)
    sender = AskFirst::Core::Uuid.v7(Time.now)
    showing.update(state: "sending", sender: sender, due_at: due + 30, over_at: due, lease_until: due + 30)
    world.clock.set(due + 120)
    expect(waited { showing.update(state: "unclear", sender: nil, lease_until: nil) }).to eq described_class::LOOK_EVERY
    expect(waited).to eq 0
  end

  it "for some seconds at most" do
    released
    world.clock.set(due)
    expect(waited).to eq described_class::MOST
  end
end
