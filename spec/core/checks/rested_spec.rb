# frozen_string_literal: true

require "prop_check"

checks = AskFirst::Core::Checks

RSpec.describe checks::Rested do
  words = "When fog sits on the estuary, the 7:20 does not guess. It waits until the far pier is in sight."

  def wall(text) = AskFirst::Core::Plan::WallTime.parse(text, "Europe/Lisbon")

  define_method(:showing) do |at, channel: "ticker", text: words, post: "p"|
    checks::Neighbours::Showing.new(
      post_id: post,
      subject: "Fog days",
      channel_id: channel,
      channel: channel,
      text: text,
      at: wall(at).at
    )
  end

  def propose(at, *others, works: ->(_) { true }, channels: %w[ticker])
    own = channels.map { |channel| showing(at, channel: channel) }
    described_class.propose(own, others, wall(at), works: works)&.wall&.strftime("%F %H:%M")
  end

  it "is the first day that is more than 30 days after the same words on that channel, at the post's own clock" do
    expect(propose("2026-10-14T07:30", showing("2026-09-20T07:30", post: "before"))).to eq "2026-10-21 07:30"
    expect(propose("2026-10-14T07:30", showing("2026-09-20T07:00", post: "before"))).to eq "2026-10-20 07:30"
    # the clocks go back on the 25th: thirty days and an hour
    expect(propose("2026-10-20T07:30", showing("2026-09-25T07:30", post: "before"))).to eq "2026-10-25 07:30"
  end

  it "is nothing where nothing is said again: longer ago, elsewhere, or in other words" do
    expect(propose("2026-10-20T07:30", showing("2026-09-19T07:30", post: "before"))).to be_nil
    expect(propose("2026-10-20T07:30", showing("2026-10-10T07:30", post: "before", channel: "vitrine"))).to be_nil
    other = showing("2026-10-10T07:30", post: "before", text: "Low water at the far pier until noon on Sunday.")
    expect(propose("2026-10-20T07:30", other)).to be_nil
  end

  it "is nothing further away than two weeks: then other words are the way" do
    expect(propose("2026-10-20T07:30", showing("2026-10-05T07:31", post: "before"))).to be_nil
    expect(propose("2026-10-20T07:30", showing("2026-10-04T07:00", post: "before"))).to eq "2026-11-03 07:30"
  end

  it "leaves out days off, and days on which something stands at that hour on its channel" do
    sunday_off = ->(day) { !day.sunday? }
    before = showing("2026-09-25T07:00", post: "before") # the 25th is the first that fits, and a Sunday
    expect(propose("2026-10-20T07:30", before, works: sunday_off)).to eq "2026-10-26 07:30"
    there = showing("2026-10-25T07:35", post: "there", text: "Low water at the far pier until noon.")
    expect(propose("2026-10-20T07:30", before, there)).to eq "2026-10-26 07:30"
  end

  it "moves all channels of the post together" do
    other = showing("2026-09-27T07:00", post: "before", channel: "vitrine")
    before = showing("2026-09-25T07:00", post: "before")
    expect(propose("2026-10-20T07:30", before, other, channels: %w[ticker vitrine])).to eq "2026-10-27 07:30"
  end

  it "repeats nothing on the day that it proposes, whatever stands around" do
    ago = PropCheck::Generators.choose(1..45)
    PropCheck.forall(PropCheck::Generators.array(ago, max: 6)) do |days|
      at = wall("2026-10-20T07:30")
      others = days.map { |day| showing((at.wall - (day * 86_400)).strftime("%FT%H:%M"), post: "before #{day}") }
      found = described_class.propose([showing("2026-10-20T07:30")], others, at, works: ->(_) { true })
      next unless found

      moved = showing(found.wall.strftime("%FT%H:%M"))
      raise "repeats" if others.any? { |other| checks::Neighbours.repeats?(moved, other) }
    end
  end
end
