# frozen_string_literal: true

# What is read of a picture once it has come.
RSpec.describe "A picture that has come" do
  let(:client) { fresh_client }

  def upload(bytes, name = "boat.jpg", who: :ines)
    world.act("Media::UploadMedia", who, client, io: StringIO.new(bytes), name: name)[:id]
  end

  def one(id, who: :ines) = world.act("Media::Medium", who, client, media_id: id)
  def row(id) = db[:media].where(id: id).first

  def say(id, **said)
    version = one(id)[:version]
    world.act("Media::UpdateMedium", :ines, client, media_id: id, fields: said.transform_keys(&:to_s), version: version)
  end

  def lettered
    ground = Vips::Image.black(900, 600).linear(1, 70).cast(:uchar)
    words = Vips::Image.text("Winter timetable", font: "DejaVu Sans Bold", dpi: 330).embed(80, 200, 900, 600)
    (words > 128).ifthenelse(250, ground).cast(:uchar).jpegsave_buffer(Q: 92)
  end

  # A JPEG in which a camera wrote where it was.
  def placed
    image = Vips::Image.black(80, 60, bands: 3).copy(interpretation: :srgb)
    fields = {
      "exif-ifd3-GPSLatitude" => "59/1 54/1 36/1",
      "exif-ifd3-GPSLatitudeRef" => "N",
      "exif-ifd3-GPSLongitude" => "10/1 45/1 0/1",
      "exif-ifd3-GPSLongitudeRef" => "E"
    }
    image
      .mutate { |copy| fields.each { |name, value| copy.set_type!(GObject::GSTR_TYPE, name, value) } }
      .jpegsave_buffer(Q: 92)
  end

  def rendered(bytes)
    rules = AskFirst::Core::Channels::CardReading.media({})
    spec = AskFirst::Core::Media::Framing.for(80, 60, rules)
    Vips::Image.new_from_buffer(
      world.environment.media.render(StringIO.new(bytes), spec.merge("kind" => "picture")),
      ""
    )
  end

  it "is in the library at once, and read by a job that everybody who looks hears of" do
    id = upload(SpecWorld.picture.string)
    expect(one(id)).to include(read: false, guess: [])
    expect(db[:que_jobs].where(Sequel.lit("args ->> 1 = ?", id)).select_map(:job_class)).to eq [
         "AskFirst::Jobs::ReadMedium"
       ]
    heard = world.environment.bus.heard.size
    world.read_media(client)
    expect(one(id)[:read]).to be true
    expect(world.environment.bus.heard.drop(heard).map(&:to_s)).to include a_string_including("media")
  end

  it "can be looked at before that, and what is shown is kept" do
    id = upload(SpecWorld.picture.string)
    small = world.act("Media::OpenFile::Thumb", :ines, client, media_id: id)[:path]
    written = File.mtime(small)
    expect(Vips::Image.new_from_file(small).width).to eq 400
    expect(File.mtime(world.act("Media::OpenFile::Thumb", :ines, client, media_id: id)[:path])).to eq written
  end

  it "is read once, however often the job runs, and beside itself" do
    id = upload(SpecWorld.picture.string)
    process = AskFirst::App::Member.process(world.workspace(client), "dispatcher")
    read = -> { AskFirst::App::Media::ReadMedium.call(world.jobs, process, media_id: id) }
    Array.new(2) { Thread.new { read.call } }.each(&:join)
    at = row(id)[:read_at]
    expect([read.call, row(id)[:read_at]]).to eq [false, at]
  end

  it "is over and done with where its file has gone or broken since it came" do
    gone, broken = [3, 4].map { |seed| upload(SpecWorld.picture(seed).string) }
    File.delete(world.environment.files.path(row(gone)[:file]))
    File.write(world.environment.files.path(row(broken)[:file]), "no picture any more")
    world.read_media(client)
    expect([gone, broken].map { |id| one(id)[:read] }).to eq [true, true]
    expect {
      world.act("Media::OpenFile::Thumb", :ines, client, media_id: gone)
    }.to raise_error AskFirst::Core::NotFound
  end

  it "has the words on it guessed, until a person says where they are" do
    id = upload(lettered)
    world.read_media(client)
    found = one(id)
    expect([found[:guess].size, found[:boxes], found[:covered], found[:wordy]]).to eq [1, [], 0.0, false]
    say(id, boxes: found[:guess])
    expect(one(id)).to include(guess: [], boxes: found[:guess], covered: be > 0.04)
    say(id, boxes: [])
    expect(one(id)).to include(guess: [], boxes: [])
  end

  it "leaves what a person said before it was read" do
    id = upload(lettered)
    say(id, boxes: [[0, 0, 100, 100]])
    world.read_media(client)
    expect(one(id)).to include(guess: [], boxes: [[0, 0, 100, 100]])
  end

  it "keeps where it was taken for those who work with it, and sends nothing of it" do
    bytes = placed
    id = upload(bytes)
    expect(one(id)[:place]).to eq(latitude: 59.91, longitude: 10.75)
    original = world.act("Media::OpenFile::Original", :ines, client, media_id: id)
    expect([File.binread(original[:path]), original[:name]]).to eq [bytes, "boat.jpg"]
    expect(rendered(bytes).get_fields.grep(/exif/)).to eq []
    face = world.act("Media::OpenFile::Preview", :ines, client, media_id: id)[:path]
    expect(Vips::Image.new_from_file(face).get_fields.grep(/exif/)).to eq []
  end

  it "says nothing of that to whoever does not add media, nor hands them the file as it came" do
    id = upload(placed)
    looker = AskFirst::App::Member.new(**world.member(:ines, client).to_h, abilities: ["see"])
    expect(one(id, who: looker)[:place]).to be_nil
    expect {
      world.act("Media::OpenFile::Original", looker, client, media_id: id)
    }.to raise_error AskFirst::Core::Refused
  end

  it "is small where one of the client's channels asks for more, and a post there says so" do
    connected(client, "vitrine")
    small = Vips::Image.black(500, 300, bands: 3).copy(interpretation: :srgb).jpegsave_buffer
    id = upload(small, "small.jpg")
    large = upload(SpecWorld.picture.string)
    expect([id, large].map { |each| one(each)[:small] }).to eq [true, false]
    expect(world.act("Media::Folders", :ines, client)[:looks]["small"]).to eq 1
    found = world.act("Media::Library", :ines, client, filters: { look: "small" })[:media]
    expect(found.map { |each| each[:id] }).to eq [id]
    post = plain_post(client, world.channel(:vitrine, client))
    world.write(post, "media", [id], who: :ines, client: client)
    checks = world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].first[:proof][:checks]
    expect(checks.find { |check| check[:code] == "too_small" }).to include(
      level: "warning",
      sentence: "“small.jpg” goes out with 500 × 300 pixels; it looks soft here below 400 on its shorter side."
    )
  end

  it "whose reading passed a limit is not read again, is told to whoever brought it, and stands in no post's way" do
    id = upload(SpecWorld.picture(rand(100_000)).string, "heavy.jpg")
    allow(Infrastructure.sandbox).to receive(:call).and_raise(AskFirst::Edge::Sandbox::Exceeded)
    process = AskFirst::App::Member.process(world.workspace(client), "worker")
    2.times { AskFirst::App::Media::ReadMedium.call(world.jobs, process, media_id: id) }
    expect(row(id)[:harmful_at]).not_to be_nil
    expect(Infrastructure.sandbox).to have_received(:call).once
    told = db[:notices].where(workspace_id: world.workspace(client), kind: "material").select_map(%i[person_id words])
    expect(told).to match [[world.person(:ines), /\A“heavy\.jpg” cannot be used\. Reading this file takes more time/]]
    expect { world.act("Media::OpenFile::Thumb", :ines, client, media_id: id) }.to raise_error AskFirst::Core::NotFound
    expect(Infrastructure.sandbox).to have_received(:call).once
  end
end
