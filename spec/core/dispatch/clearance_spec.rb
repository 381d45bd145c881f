# frozen_string_literal: true

# Whether a planned showing may go now. The rules are the product's own; each look is taken alone, with everything else
# in order.
RSpec.describe AskFirst::Core::Dispatch::Clearance do
  now = Time.utc(2026, 10, 15, 6, 30)
  verdict =
    Struct.new(:held, :stands, :releasable) do
      def held? = held
      def release_stands? = stands
      def releasable? = releasable
    end

  let(:channel) { { name: "Ticker", state: "connected", archived_at: nil } }
  let(:good) do
    {
      state: "planned",
      release: {
        at: now,
        zone: "Europe/Lisbon",
        needs: %w[one two]
      },
      uploads: %w[one two three],
      stopped: nil,
      unconfirmed: nil,
      channel: channel,
      fresh: true,
      by_hand: false,
      verdict: verdict.new(false, true, true),
      faults: [],
      unusable: nil,
      now: now
    }
  end

  def ruling(**more) = described_class.of(described_class::Facts.new(**good, **more))
  def kind(**more) = ruling(**more).kind

  it "goes at its minute with everything in order, and not a moment before" do
    expect(kind).to eq :send
    expect(ruling(release: { at: now + 0.001, needs: [] })).to have_attributes(kind: :wait, until: now + 0.001)
  end

  it "is nothing where it is not planned, not released, or its client has ended" do
    expect(%w[sending out by_hand].map { |state| kind(state: state) }.uniq).to eq [:nothing]
    expect(kind(release: nil)).to eq :nothing
    expect(kind(stopped: now)).to eq :nothing
  end

  it "waits while a hold stands, and while nobody has looked at a database that was brought back" do
    expect(ruling(verdict: verdict.new(true, true, true))).to have_attributes(kind: :wait, until: now + 5)
    expect(ruling(unconfirmed: now)).to have_attributes(kind: :wait, until: now + 5)
    # who looks confirms what waits for a hand, too
    expect(kind(unconfirmed: now, by_hand: true)).to eq :wait
  end

  it "is handed over where no network takes it, also under a hold, which is looked at when it is taken up" do
    expect(kind(by_hand: true)).to eq :hand
    expect(kind(by_hand: true, verdict: verdict.new(true, true, true))).to eq :hand
  end

  it "is trouble on a channel in the archive, also where it would be handed over" do
    gone = channel.merge(archived_at: now)
    expect(ruling(channel: gone)).to have_attributes(kind: :trouble, sentence: /Ticker is archived/)
    expect(kind(channel: gone, by_hand: true)).to eq :trouble
  end

  it "is trouble when it is more than half an hour late, and goes until then" do
    expect(kind(now: now + 1_800)).to eq :send
    expect(ruling(now: now + 1_801)).to have_attributes(
      kind: :trouble,
      sentence: /Its time was Thu 15 Oct 2026, 7:30 Lisbon, more than/
    )
  end

  it "stops where the connection has lapsed, and has an old card read anew" do
    expect(kind(channel: channel.merge(state: "lapsed"))).to eq :lapsed
    expect(kind(fresh: false)).to eq :prepare
  end

  it "is trouble where today's card has something against it" do
    expect(ruling(faults: ["Too long."])).to have_attributes(kind: :trouble, sentence: /rules have changed: Too long/)
  end

  it "is trouble where the release does not stand, and says whether a yes or the content is missing" do
    expect(ruling(verdict: verdict.new(false, false, true)).sentence).to match(/not what was released/)
    expect(ruling(verdict: verdict.new(false, false, false)).sentence).to match(/Not every yes/)
    expect(kind(verdict: verdict.new(false, false, true))).to eq :trouble
  end

  it "is trouble without the right to use its files, sent and handed over alike" do
    why = "“boat.jpg” may be used until yesterday."
    expect(ruling(unusable: why)).to have_attributes(kind: :trouble, sentence: why)
    expect(ruling(unusable: why, by_hand: true)).to have_attributes(kind: :trouble, sentence: why)
  end

  it "goes only when each of its files is up" do
    expect(kind(uploads: %w[one])).to eq :prepare
    expect(kind(uploads: [], release: { at: now, needs: [] })).to eq :send
  end
end
