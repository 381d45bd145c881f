# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::Pacing do
  let(:today) { Date.new(2026, 10, 14) }
  let(:days) { Date.new(2026, 10, 1)..Date.new(2026, 10, 31) }
  let(:usual) { AskFirst::Core::Plan::PaceLimits::USUAL }

  def limits(**given) = AskFirst::Core::Plan::PaceLimits.new(**given)
  def entry(wall, free: true) = described_class::Entry.new(post_id: wall, wall: wall, free: free)

  def proposals(entries, limits, kept: [], works: ->(day) { !day.sunday? })
    described_class.new(entries, kept: kept, days: days, today: today, limits: limits, works: works).proposals
  end
  def said(...) = proposals(...).map { |one| [one.kind, one.from, one.to.is_a?(Date) ? one.to.iso8601 : one.to] }

  describe "posts too close together" do
    it "go on by half hours until there is room, on their day" do
      found = said([entry("2026-10-15T09:00"), entry("2026-10-15T09:30")], limits(apart: 120))
      expect(found).to eq [[:close, "2026-10-15T09:30", "2026-10-15T11:00"]]
    end

    it "go to the next working day at their hour where their day has no room" do
      late = [entry("2026-10-17T20:00", free: false), entry("2026-10-17T20:30")]
      # the 18th is a Sunday
      expect(said(late, limits(apart: 120))).to eq [[:close, "2026-10-17T20:30", "2026-10-19T20:30"]]
    end

    it "stay where none of them may move, and where they are apart enough" do
      both = [entry("2026-10-15T09:00", free: false), entry("2026-10-15T09:30", free: false)]
      expect(said(both, limits(apart: 120))).to eq []
      expect(said([entry("2026-10-15T09:00"), entry("2026-10-15T11:00")], limits(apart: 120))).to eq []
    end

    it "moves the one that may, also when it is the earlier" do
      found = said([entry("2026-10-15T09:00"), entry("2026-10-15T09:30", free: false)], limits(apart: 60))
      expect(found).to eq [[:close, "2026-10-15T09:00", "2026-10-15T10:30"]]
    end
  end

  it "takes from a day what is more than it may have, to the next with room" do
    heap = %w[09:00 12:00 15:00].map { |clock| entry("2026-10-15T#{clock}") } + [entry("2026-10-16T09:00")]
    found = said(heap, limits(day_max: 2))
    expect(found).to eq [[:full, "2026-10-15T15:00", "2026-10-16T15:00"]]
  end

  describe "stretches without a post" do
    it "get as many days as they need, evenly and on working days, from today on" do
      # 14 to 31 October are 18 days: two marks leave 16, in three parts. Even are the 19th and the 25th, which is a
      # Sunday; Saturday is as near as Monday, and comes first
      found = proposals([], limits(gap: 7))
      expect(found.map { |one| [one.kind, one.to.iso8601] }).to eq [[:gap, "2026-10-19"], [:gap, "2026-10-24"]]
      edges = [Date.new(2026, 10, 13), *found.map(&:to), Date.new(2026, 11, 1)]
      expect(edges.each_cons(2).map { |one, other| (other - one).to_i - 1 }.max).to be <= 7
    end

    it "count a place that is kept as filled" do
      kept = [Date.new(2026, 10, 20), Date.new(2026, 10, 27)]
      expect(said([], limits(gap: 7), kept: kept)).to eq []
    end
  end

  it "keeps days in weeks with too few posts, far from what there is" do
    found = said([entry("2026-10-19T09:00")], limits(week_min: 2))
    # only whole weeks that are still to come: 19 to 25 October
    expect(found).to eq [[:few, nil, "2026-10-24"]]
  end

  # Worked through at random: whatever is planned, what is proposed keeps the limits where it can, moves nothing into
  # the past and is not proposed again once it is taken.
  it "once taken, proposes nothing more" do
    random = Random.new(7)
    40.times do
      entries =
        Array
          .new(random.rand(1..12)) do
            wall = (Time.utc(2026, 10, 15) + (random.rand(0...16) * 86_400) + (random.rand(16..40) * 1_800))
            entry(wall.strftime("%Y-%m-%dT%H:%M"), free: random.rand < 0.8)
          end
          .uniq(&:wall)
      given = limits(apart: 90, day_max: 2, gap: 5, week_min: 3)
      found = proposals(entries, given)
      moved = found.select(&:post_id).to_h { |one| [one.post_id, one.to] }
      taken = entries.map { |one| entry(moved.fetch(one.wall, one.wall), free: one.free) }
      kept = found.reject(&:post_id).map(&:to)
      expect(proposals(taken, given, kept: kept).reject { |one| one.from && !moved.value?(one.from) }).to eq []
      expect(moved.values.map { |wall| wall[0, 10] }.min.to_s).to be >= today.iso8601 if moved.any?
    end
  end

  it "reads limits within their bounds, and leaves out what is empty" do
    read = ->(given) { AskFirst::Core::Plan::PaceLimits.read(given) }
    expect(read.call("week_min" => 2, "gap" => nil).to_h).to eq(week_min: 2, day_max: nil, apart: nil, gap: nil)
    [{ "week_min" => 0 }, { "day_max" => 21 }, { "apart" => "60" }, { "gap" => 61 }].each do |given|
      expect { read.call(given) }.to raise_error(AskFirst::Core::Invalid) { |error|
        expect([error.code, error.field]).to eq ["bad_pace", given.keys.first]
      }
    end
    expect(usual.apart).to eq 120
  end
end
