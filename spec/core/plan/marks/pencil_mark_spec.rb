# frozen_string_literal: true

RSpec.describe AskFirst::Core::Plan::PencilMark do
  let(:now) { Time.utc(2026, 10, 14, 9, 20) }
  let(:channel) { "01a139b6-2200-7014-8015-6629978455f4" }

  def read(*given) = described_class.read(given, now, field: "put")
  def cell(**more) = { "day" => "2026-10-16", "channel_id" => channel, **more.transform_keys(&:to_s) }
  def code(*given) = refusal { read(*given) }.code

  it "keeps a day and a channel, with a word, an hour and a kind" do
    mark = read(cell(word: " weekend  tip ", clock: "09:00", label_id: channel)).first
    expect(mark).to have_attributes(
      day: Date.new(2026, 10, 16),
      channel_id: channel,
      clock: "09:00",
      label_id: channel,
      word: "weekend tip"
    )
  end

  it "is one for each cell: of two the later" do
    expect(read(cell(word: "one"), cell(word: "two")).map(&:word)).to eq ["two"]
  end

  it "gives its post the hour that was said, else noon" do
    at = ->(clock) { read(cell(clock: clock)).first.time("Europe/Lisbon") }
    expect(at.call("07:30")).to eq("wall" => "2026-10-16T07:30", "zone" => "Europe/Lisbon")
    expect(at.call(nil)["wall"]).to eq "2026-10-16T12:00"
  end

  it "takes no day that is none, no hour of 25, no word longer than a cell, no formula as anything but words" do
    expect([code(cell(day: "2026-02-29")), code(cell(clock: "25:00")), code(cell(word: "x" * 81))]).to eq %w[
         bad_date
         bad_mark_time
         too_long
       ]
    expect(code(cell(channel_id: "1"))).to eq "bad_id"
    expect(read(cell(word: "=SUM(A1:A9)")).first.word).to eq "=SUM(A1:A9)"
  end

  it "takes 500 cells at once, and says of 5,000 what to do" do
    days = (0...500).map { |n| cell(day: (Date.new(2026, 10, 1) + n).iso8601) }
    expect(read(*days).size).to eq 500
    expect(refusal { read(*(days * 10)) }).to have_attributes(code: "too_many_marks", way_on: /in parts/)
  end
end
