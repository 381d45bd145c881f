# frozen_string_literal: true

# What becomes of a send of which nobody knows whether it arrived, by what its network can do (RFC 9110, 9.2.2: POST is
# not idempotent, so repeating it needs a reason).
RSpec.describe AskFirst::Core::Dispatch::Doubt do
  over = Time.utc(2026, 10, 15, 6, 30)

  def card(finds, once) = card_of("finds_by_id" => finds, "same_id_once" => once)

  def not_there(now, looks: 0, once: false)
    described_class.not_there(
      card(true, once),
      looks: looks,
      over_at: Time.utc(2026, 10, 15, 6, 30),
      settle: 10,
      now: now
    )
  end

  it "asks where it can be asked; else repeats where the same id counts once, and else a person looks" do
    expect(described_class.before_asking(card(true, false))).to be_nil
    expect(described_class.before_asking(card(true, true))).to be_nil
    expect(described_class.before_asking(card(false, true)).kind).to eq :again
    expect(described_class.before_asking(card(false, false)).kind).to eq :person
  end

  it "repeats at once what counts once" do
    expect(not_there(over, once: true).kind).to eq :again
  end

  it "counts no look before an accepted post would show" do
    expect(not_there(over + 9.9)).to have_attributes(kind: :look, at: over + 10, looks: 0)
    expect(not_there(over + 9.9, looks: 1)).to have_attributes(kind: :look, looks: 0)
  end

  it "looks twice, the settling time apart, before it sends again" do
    first = not_there(over + 10)
    expect(first).to have_attributes(kind: :look, at: over + 20, looks: 1)
    expect(not_there(first.at, looks: first.looks).kind).to eq :again
  end
end

RSpec.describe AskFirst::Core::Dispatch::Lease do
  def holds?(since_claim, since_heartbeat: 0.5) =
    described_class.holds?(since_claim: since_claim, since_heartbeat: since_heartbeat, lease: 60, timeout: 15)

  it "lets a create begin that surely ends while it lasts" do
    expect([0, 44.9].map { |seconds| holds?(seconds) }).to eq [true, true]
    expect([45, 60, -0.1].map { |seconds| holds?(seconds) }).to eq [false, false, false]
  end

  it "binds its holder: whoever was frozen begins nothing that they claimed before" do
    expect(holds?(1, since_heartbeat: 2.9)).to be true
    expect(holds?(1, since_heartbeat: 3)).to be false
  end

  it "is over when its time is, or its sender is gone; a sender is stopped by itself before it is taken for gone" do
    now = Time.utc(2026, 10, 15, 6, 30)
    over = ->(till, beat) { described_class.over?(lease_until: till, since_heartbeat: beat, now: now) }
    expect(over.call(now + 1, 5.9)).to be false
    expect(over.call(now + 1, 6.1)).to be true
    expect(over.call(now + 1, nil)).to be true
    expect(over.call(now, 0)).to be true
    expect(described_class::GONE).to be > described_class::STILL_HERE + (2 * described_class::HEARTBEAT_EVERY)
  end
end

RSpec.describe AskFirst::Core::Dispatch::BroughtBack do
  def why(**more)
    described_class.why(
      described_class::Facts.new(server: "a", here: "a", watermark: 7, outside: 7, strange: false, **more)
    )
  end

  it "is not where the server is the same and it knows as much as lies outside" do
    expect(why).to be_nil
    expect(why(outside: 6)).to be_nil
  end

  it "is on another server, where it knows less than lies outside, and where nothing of it lies there" do
    expect(why(here: "b")).to eq "other_server"
    expect(why(outside: 8)).to eq "older"
    expect(why(outside: nil)).to eq "no_watermark"
    expect(why(strange: true)).to eq "no_watermark"
  end

  it "is not where nothing has run on it yet; what lies there of another one is looked at all the same" do
    expect(why(server: nil, outside: nil)).to be_nil
    expect(why(server: nil, strange: true)).to eq "no_watermark"
  end
end

RSpec.describe AskFirst::Core::Dispatch::Unconfirmed do
  noticed = Time.utc(2026, 10, 14, 9)

  def after(said, released_at) =
    described_class.after(said, released_at: released_at, noticed_at: Time.utc(2026, 10, 14, 9))

  it "is out where it is there" do
    expect(after("there", noticed - 60)).to eq :out
  end

  it "is confirmed by a release of somebody who could know, where it surely is not there" do
    expect(after("not_there", noticed + 1)).to eq :confirmed
    expect(after("not_there", noticed)).to eq :person
    expect(after("cannot_ask", noticed + 1)).to eq :person
  end
end
