# frozen_string_literal: true

RSpec.describe "Pictures" do
  def upload(bytes, name = "boat.jpg")
    world.act("Media::UploadMedia", :sunniva, io: StringIO.new(bytes), name: name)
  end

  def code_of
    yield
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "reads the true type and size from the bytes, not from the name" do
    expect(upload(SpecWorld.picture.string, "report.pdf")).to include(mime: "image/jpeg", width: 640, height: 400)
  end

  it "takes what a file is called for what it is: signs that nobody sees are left out, none is a name too" do
    names = ["a\u0000b\tc.jpg", "\u202Egpj.boat", "caf\xC3.jpg", " ", "x" * 400]
    kept = names.map { |name| upload(SpecWorld.picture(40).string, name)[:name] }
    expect(kept).to eq ["a b c.jpg", "gpj.boat", "caf.jpg", "file", "x" * 255]
  end

  it "refuses an HTML file that calls itself a picture" do
    expect(code_of { upload("<!doctype html><html><script>alert(1)</script></html>") }).to eq %w[not_a_picture file]
  end

  it "refuses a picture of 200 megapixels from its header, without decoding it" do
    huge = Vips::Image.black(20_000, 10_000).pngsave_buffer(compression: 9)
    expect(code_of { upload(huge, "huge.png") }).to eq %w[picture_too_large file]
  end

  it "reads GIF and AVIF, of what moves the first picture, and sends them as JPEG" do
    frames = Vips::Image.black(64, 48 * 300, bands: 3).copy(interpretation: :srgb)
    moving = frames.mutate { |image| image.set_type!(GObject::GINT_TYPE, "page-height", 48) }.gifsave_buffer
    still = Vips::Image.black(64, 48, bands: 3).copy(interpretation: :srgb).write_to_buffer(".avif")
    { moving => "image/gif", still => "image/avif" }.each do |bytes, mime|
      row = upload(bytes)
      expect(row).to include(mime: mime, width: 64, height: 48)
      made = world.environment.media.edit(StringIO.new(bytes), { "turn" => 90 }, mime)
      expect(Vips::Image.new_from_buffer(made, "").then { |image| [image.width, image.height] }).to eq [48, 64]
    end
  end

  it "refuses a picture that is cut off" do
    expect(code_of { upload(SpecWorld.picture.string[0, 300]) }).to eq(%w[picture_broken file]).or eq(
           %w[not_a_picture file]
         )
  end

  it "renders upright, cut to the network's shape, in the same bytes each time, without hidden data" do
    tall = Vips::Image.black(600, 1200, bands: 3).copy(interpretation: :srgb).jpegsave_buffer
    spec =
      AskFirst::Core::Media::Framing.for(
        600,
        1200,
        AskFirst::Core::Channels::CardReading.media({ "ratio" => [[4, 5], [2, 1]], "max_side" => 1600 })
      )
    bytes = Array.new(2) { AskFirst::Edge::Files::Pictures.new.render(tall, spec) }
    expect(bytes.uniq.size).to eq 1
    image = Vips::Image.new_from_buffer(bytes.first, "")
    expect([image.width, image.height]).to eq [600, 750]
    expect(image.get_fields.grep(/exif|xmp|iptc/)).to eq []
  end

  it "an ask waits until each channel's picture is rendered, and those stored files are what the yes is about" do
    post = world.draft
    expect(world.post_state(post).adaptations.map(&:fingerprint)).to eq [nil, nil]
    world.ask(post, 0)
    request =
      db[:revision_adaptations]
        .where(post_id: post)
        .all
        .map do |row|
          [
            row[:request]["media"].map { |one| one["digest"] },
            db[:renditions].where(id: row[:rendition_ids].to_a).select_map(:digest)
          ]
        end
    expect(request).to all(satisfy { |digests, files| digests == files && digests.size == 1 })
  end

  it "another picture is another fingerprint" do
    post = world.draft
    world.clear(post)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    picture = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(2), name: "other.jpg")
    world.write(post, "media", [picture[:id]], who: :sunniva)
    world.act("Posts::ClosePost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    expect(world.stages(post)).to eq(ticker: "drafting", vitrine: "drafting")
  end
end
