# frozen_string_literal: true

# What can be asked for several posts at once, to the limits.
RSpec.describe AskFirst::Core::Plan::SeveralOrder do
  def code(kind, value = nil, posts: %w[a b], most: 25)
    described_class.check!(kind, posts, value, most: most)
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "takes as many posts as are taken at once, and not one more" do
    expect(code("release", posts: Array.new(25, &:to_s))).to be_nil
    expect(code("release", posts: Array.new(26, &:to_s))).to eq %w[too_many_posts posts]
  end

  it "moves by up to a year and a day, either way, and never by nothing" do
    expect([1, -1, 366, -366].map { |days| code("move", days) }).to eq [nil] * 4
    expect([0, 367, -367, 1.5, nil, "1"].map { |days| code("move", days) }.uniq).to eq [%w[bad_days days]]
  end

  it "moves each by its own days, of which some may be none, and none left out" do
    expect(code("move", { "a" => 0, "b" => 366 })).to be_nil
    expect(code("move", { "a" => 0 })).to eq %w[bad_days days]
    expect(code("move", { "a" => 0, "b" => -367 })).to eq %w[bad_days days]
  end

  it "puts to an hour of a day" do
    expect(%w[00:00 09:30 23:59].map { |clock| code("clock", clock) }).to eq [nil] * 3
    expect(["24:00", "9", "", nil].map { |clock| code("clock", clock) }.uniq).to eq [%w[bad_clock clock]]
  end

  it "copies onto a channel, to another day within the same bounds or to the same" do
    copy = ->(days, channels = ["c"]) { code("copy", { "channel_ids" => channels, "days" => days }) }
    expect([nil, 0, 366, -366].map(&copy)).to eq [nil] * 4
    expect([367, -367].map(&copy).uniq).to eq [%w[bad_days days]]
    expect(copy.call(0, [])).to eq %w[no_channel channels]
  end

  it "knows what can be done to several, and nothing else" do
    expect((described_class::KINDS - %w[move clock copy]).map { |kind| code(kind) }.uniq).to eq [nil]
    expect(code("delete")).to eq %w[bad_kind kind]
  end
end
