# frozen_string_literal: true

require "prop_check"

checks = AskFirst::Core::Checks

RSpec.describe checks::Spreading do
  words = "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight."
  zone = "Europe/Lisbon"
  half_past_seven = Time.utc(2026, 10, 15, 6, 30)

  define_method(:showing) do |channel, at: half_past_seven, text: words, post: "p"|
    checks::Neighbours::Showing.new(
      post_id: post,
      subject: "Fog days",
      channel_id: channel,
      channel: channel,
      text: text,
      at: at
    )
  end

  def walls(moves, zone = "Europe/Lisbon")
    moves.transform_values { |at| AskFirst::Core::Plan::WallTime.at(at, zone).wall.strftime("%-d %H:%M") }
  end

  it "three channels at 7:30 become 7:30, 7:50 and 8:10: the first keeps its time" do
    own = %w[ticker vitrine commons].map { |channel| showing(channel) }
    expect(walls(described_class.propose(own, [], zone))).to eq("vitrine" => "15 07:50", "commons" => "15 08:10")
  end

  it "moves nothing where nothing floods, and nothing without a time" do
    own = [showing("ticker"), showing("vitrine", at: half_past_seven + (20 * 60)), showing("commons", at: nil)]
    expect(described_class.propose(own, [], zone)).to eq({})
    expect(
      described_class.propose(
        [showing("ticker"), showing("vitrine", text: "Something else altogether about lamps and piers")],
        [],
        zone
      )
    ).to eq({})
  end

  it "does not put a post beside another one of its channel, nor beside the same words elsewhere" do
    at_ten_to_eight = showing("vitrine", at: half_past_seven + (20 * 60), text: "Low tide at noon", post: "q")
    same_words = showing("guildhall", at: half_past_seven + (45 * 60), post: "r")
    moves = described_class.propose([showing("ticker"), showing("vitrine")], [at_ten_to_eight, same_words], zone)
    expect(walls(moves)).to eq("vitrine" => "15 08:30")
  end

  it "leaves what is out where it went, and moves even the first channel away from it" do
    out = showing("noticeboard")
    expect(walls(described_class.propose([showing("ticker")], [], zone, stays: [out]))).to eq("ticker" => "15 07:50")
  end

  it "stays on the day: late in the evening it leaves what has no room" do
    late = Time.utc(2026, 10, 15, 22, 30) # 23:30 in Lisbon
    own = %w[ticker vitrine commons].map { |channel| showing(channel, at: late) }
    expect(walls(described_class.propose(own, [], zone))).to eq("vitrine" => "15 23:50")
  end

  it "plans nothing for the second of an hour that the clock shows twice" do
    # 1:30, the first one, in Lisbon
    own = %w[ticker vitrine commons guildhall].map { |channel| showing(channel, at: Time.utc(2026, 10, 25, 0, 30)) }
    moves = described_class.propose(own, [], zone)
    expect(walls(moves)).to eq("vitrine" => "25 01:50", "commons" => "25 02:10", "guildhall" => "25 02:30")
    expect(moves.values).to all(satisfy { |at| AskFirst::Core::Plan::WallTime.at(at, zone).at == at })
  end

  it "what follows it is no flood, whatever the times were (property)" do
    G = PropCheck::Generators unless defined?(G)
    PropCheck.forall(G.array(G.choose(0..90), min: 2, max: 6)) do |minutes|
      own = minutes.each_with_index.map { |minute, index| showing("c#{index}", at: half_past_seven + (minute * 60)) }
      moves = described_class.propose(own, [], zone)
      own.each { |one| one.at = moves.fetch(one.channel_id, one.at) }
      expect(own.combination(2).select { |one, other| checks::Neighbours.floods?(one, other) }).to eq []
    end
  end
end
