# frozen_string_literal: true

# What is no file that can go out, each with its one answer. The files are made by FFmpeg and libvips, or by hand.
RSpec.describe "Files that cannot be taken" do
  let(:client) { fresh_client }

  def refusal(bytes, name = "file")
    world.act("Media::UploadMedia", :ines, client, io: StringIO.new(bytes), name: name)
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  def made(*how, ending: "mp4")
    Dir.mktmpdir do |dir|
      path = File.join(dir, "made.#{ending}")
      system("ffmpeg", "-v", "error", *how, path, exception: true)
      File.binread(path)
    end
  end

  # The head of a PNG (ISO/IEC 15948, IHDR; from memory): as large as it says it is, with next to nothing behind.
  def png_of(width, height)
    chunk = ->(name, data) { [data.bytesize].pack("N") + name + data + [Zlib.crc32(name + data)].pack("N") }
    head = chunk.call("IHDR", [width, height, 8, 2, 0, 0, 0].pack("NNCCCCC"))
    "\x89PNG\r\n\x1A\n".b + head + chunk.call("IDAT", Zlib.deflate("\0" * 10)) + chunk.call("IEND", "")
  end

  after { expect(db[:media].where(workspace_id: world.workspace(client)).count).to eq 0 }

  it "an empty one, a drawing with a script, a page that calls itself a picture" do
    drawing = "<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"
    expect(["", drawing, "<!doctype html><p>boat.jpg"].map { |bytes| refusal(bytes, "boat.jpg") }).to all(
      eq %w[not_a_picture file]
    )
  end

  it "a picture of 40,000 x 40,000 pixels, refused by its head" do
    expect(refusal(png_of(40_000, 40_000))).to eq %w[picture_too_large file]
  end

  it "a video that holds no pictures, one of 8192 x 8192, one that breaks off in its middle" do
    sound = made("-f", "lavfi", "-i", "sine=duration=1")
    expect(refusal(sound)).to eq(%w[video_broken file]).or eq(%w[not_a_picture file])
    huge = made("-f", "lavfi", "-i", "color=black:size=8192x8192:rate=1:duration=1", "-c:v", "mjpeg", ending: "mov")
    expect(refusal(huge)).to eq %w[video_too_large file]
    film = made("-f", "lavfi", "-i", "testsrc=size=320x240:rate=10:duration=3", "-pix_fmt", "yuv420p")
    expect(refusal(film[0, film.bytesize / 2])).to eq %w[video_broken file]
  end
end
