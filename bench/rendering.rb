# frozen_string_literal: true

# Makes one picture ready for a network so many times, as the application does or by libvips alone, and says how long
# that took and how much memory at most. usage: rendering.rb ours|alone PATH TIMES
require_relative "../config/boot"
require_relative "figures"
require "vips"

how, path, times = ARGV
bytes = File.binread(path)
rules = AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [1, 1]], "max_side" => 1_080 })
whole = Vips::Image.new_from_buffer(bytes, "")
spec = AskFirst::Core::Media::Framing.for(whole.width, whole.height, rules)
kinds = AskFirst::Edge::Files::Kinds.new(AskFirst::Edge::Files::Pictures.new)
ways = {
  "ours" => -> { kinds.render(StringIO.new(bytes), spec) },
  "alone" => -> do
    image = Vips::Image.new_from_buffer(bytes, "").autorot.crop(*spec["crop"])
    image.thumbnail_image(spec["size"][0], height: spec["size"][1], size: :force).jpegsave_buffer(Q: 88, strip: true)
  end
}
seconds = Bench::Figures.ms { Integer(times).times { ways.fetch(how).call } } / 1_000
peak = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i
puts JSON.generate(seconds: seconds, peak: peak)
