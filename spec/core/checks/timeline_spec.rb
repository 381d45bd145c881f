# frozen_string_literal: true

require "prop_check"

checks = AskFirst::Core::Checks

RSpec.describe checks::Timeline do
  noon = Time.utc(2026, 10, 15, 12)

  define_method(:showing) do |minutes, channel = "ticker"|
    checks::Neighbours::Showing.new(
      post_id: "p",
      channel_id: channel,
      text: "Fog",
      at: minutes && (noon + (minutes * 60))
    )
  end

  it "finds what is near a moment, both ends included, whatever the order it was given in (property)" do
    numbers = PropCheck::Generators.array(PropCheck::Generators.choose(-60..60))
    PropCheck.forall(numbers) do |minutes|
      line = described_class.new(minutes.map { |minute| showing(minute) })
      expect(line.near(noon, 900).map(&:at)).to eq(
        minutes.select { |minute| minute.abs <= 15 }.sort.map { |minute| noon + (minute * 60) }
      )
    end
  end

  it "knows what is on a channel, and leaves out what has no time" do
    line = described_class.of([showing(5, "vitrine"), showing(nil, "vitrine"), showing(0)])
    expect(line.on("vitrine").map(&:at)).to eq [noon + 300]
    expect(line.on("commons")).to eq []
    expect(described_class.of(line)).to be line
  end
end
