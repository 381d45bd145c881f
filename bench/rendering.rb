# frozen_string_literal: true

# Makes one file ready for a network so many times, as the application does or by libvips or FFmpeg alone, and says how
# long that took and how much memory at most. usage: rendering.rb ours|alone PATH TIMES
require_relative "../config/boot"
require_relative "figures"
require "tempfile"
require "vips"

how, path, times = ARGV
kinds = AskFirst::Edge::Files::MediaReader.new(AskFirst::Edge::Sandbox.new)
made = ->(io) { IO.copy_stream(io, File::NULL) }
film = path.end_with?(".mp4")
if film
  spec = { "kind" => "video", "mime" => "video/mp4" }
  copy = %w[-map 0:v:0 -map 0:a:0? -map_metadata -1 -fflags +bitexact -c copy -movflags +faststart]
  alone =
    lambda do
      Tempfile.create(%w[alone .mp4]) do |out|
        system("ffmpeg", "-v", "error", "-y", "-i", path, *copy, out.path, exception: true)
        made.call(out)
      end
    end
else
  rules = AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [1, 1]], "max_side" => 1_080 })
  whole = Vips::Image.new_from_file(path)
  spec = AskFirst::Core::Media::Framing.for(whole.width, whole.height, rules)
  alone =
    lambda do
      image = Vips::Image.new_from_buffer(File.binread(path), "").autorot.crop(*spec["crop"])
      image.thumbnail_image(spec["size"][0], height: spec["size"][1], size: :force).jpegsave_buffer(Q: 88, strip: true)
    end
end
ways = { "ours" => -> { File.open(path, "rb") { |io| kinds.render(io, spec, &made) } }, "alone" => alone }
seconds = Bench::Figures.ms { Integer(times).times { ways.fetch(how).call } } / 1_000
peak = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i
puts JSON.generate(seconds: seconds, peak: peak)
