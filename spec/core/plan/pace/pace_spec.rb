# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::Pace do
  let(:days) { Date.new(2026, 10, 1)..Date.new(2026, 10, 28) }

  def channel(*walls) = described_class.new(walls.map { |wall| ["ti", wall] }, days).channels.first

  # Worked by hand: eight posts in four weeks are two a week.
  it "is how many go out in a week" do
    walls = (0...8).map { |n| (Date.new(2026, 10, 1) + (n * 3)).strftime("%FT09:00") }
    expect(channel(*walls)).to have_attributes(posts: 8, a_week: 2)
  end

  it "has a longest stretch without a post, also before the first and after the last" do
    expect(channel("2026-10-01T09:00", "2026-10-10T09:00").gap).to eq Date.new(2026, 10, 11)..Date.new(2026, 10, 28)
    expect(channel("2026-10-20T09:00").gap).to eq Date.new(2026, 10, 1)..Date.new(2026, 10, 19)
    every = days.map { |day| day.strftime("%FT09:00") }
    expect(channel(*every).gap).to be_nil
  end

  it "names two posts of one channel that stand too close together" do
    expect(channel("2026-10-05T09:00", "2026-10-05T10:59", "2026-10-05T12:59").close).to eq [
         %w[2026-10-05T09:00 2026-10-05T10:59]
       ]
  end
end
