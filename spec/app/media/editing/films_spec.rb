# frozen_string_literal: true

require "json"
require "open3"

# Films are made and read back by FFmpeg (ffprobe).
RSpec.describe "A film that is edited" do
  let(:client) { fresh_client }
  let(:film) { upload(bytes, "pier.mp4") }

  # Six seconds with sound, each second of another shade.
  def bytes
    @bytes ||=
      Dir.mktmpdir do |dir|
        path = File.join(dir, "film.mp4")
        shades = "color=black:size=96x160:rate=10:duration=6,geq=lum='floor(T)*40+20':cb=128:cr=128"
        system(
          *%W[ffmpeg -v error -f lavfi -i #{shades} -f lavfi -i sine=duration=6 -pix_fmt yuv420p -shortest #{path}],
          exception: true
        )
        File.binread(path)
      end
  end

  def upload(bytes, name) = world.act("Media::UploadMedia", :ines, client, io: StringIO.new(bytes), name: name)[:id]
  def one(id) = world.act("Media::Medium", :ines, client, media_id: id)
  def ask(edit, **more) = world.act("Media::EditFilm", :ines, client, media_id: film, edit: edit, **more)
  def row(id) = db[:media].where(id: id).first
  def asked(id) = db[:film_edits].where(id: id).first

  def make(id)
    process = AskFirst::App::Member.process(world.workspace(client), "dispatcher")
    AskFirst::App::Media::MakeFilm.call(world.jobs, process, edit_id: id)
  end

  # What ffprobe says of a file: seconds, and what is in it.
  def probed(id)
    path = world.environment.files.path(row(id)[:file])
    said, = Open3.capture2("ffprobe", "-v", "error", "-of", "json", "-show_streams", "-show_format", path)
    found = JSON.parse(said)
    [found["format"]["duration"].to_f, found["streams"].map { |stream| stream["codec_type"] }.sort]
  end

  def grey(path) = Vips::Image.new_from_buffer(File.binread(path), "").colourspace(:b_w).avg

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  it "becomes its newer version, from and to the moment that was asked for, as who asked" do
    id = ask({ "start" => 1_500, "end" => 4_000 })
    expect(one(film)[:making]).to match [include(id: id, by: "Ines Calloway", wrong: nil)]
    expect(make(id)).to be true
    newer = row(asked(id)[:made_id])
    expect(newer).to include(number: 2, first_id: film, duration_ms: be_within(110).of(2_500), width: 96, height: 160)
    expect(newer[:added_by]).to eq world.person(:ines)
    expect(probed(newer[:id]).last).to eq %w[audio video]
    expect([one(film)[:making], row(film)[:replaced_by]]).to eq [[], newer[:id]]
  end

  it "is made silent with its pictures as they were" do
    id = ask({ "mute" => true }, copy: true)
    make(id)
    seconds, streams = probed(asked(id)[:made_id])
    expect([seconds, streams]).to match [be_within(0.11).of(6), ["video"]]
    expect(row(film)[:replaced_by]).to be_nil
  end

  it "is made once, whoever is killed in between" do
    id = ask({ "mute" => true })
    make(id)
    db[:film_edits].where(id: id).update(ended_at: nil) # the process fell before it could say so
    expect(make(id)).to be true
    expect(db[:media].where(workspace_id: world.workspace(client)).count).to eq 2
    expect([make(id), asked(id)[:wrong]]).to eq [false, nil]
  end

  it "tells what went wrong: a newer version came meanwhile, who asked is gone" do
    first = ask({ "mute" => true })
    second = ask({ "end" => 3_000 })
    make(first)
    make(second)
    expect(one(film)[:making].map { |each| each[:wrong] }).to eq [
         "There is a newer version of this file already. Look at the newest one, and go on from there."
       ]
    third = world.act("Media::EditFilm", :ines, client, media_id: film, edit: { "end" => 2_000 }, copy: true)
    db[:film_edits].where(id: third).update(person_id: world.person(:halima)) # who is none of this client's
    make(third)
    expect(asked(third)[:wrong]).to include "does not work for this client any more"
  end

  it "refuses what is no edit of it, each at its field" do
    [{ "start" => -1 }, { "end" => 6_500 }, { "start" => "1" }, { "mute" => 1 }, { "speed" => 2 }, []].each do |edit|
      expect(code { ask(edit) }).to eq %w[bad_edit edit]
    end
    expect(code { ask({ "start" => 3_000, "end" => 3_500 }) }).to eq %w[too_short edit]
    expect(code { ask({ "start" => 0, "end" => row(film)[:duration_ms] }) }).to eq %w[nothing_changed edit]
    expect(code { ask({ "mute" => true }, post_ids: ["none"]) }).to eq %w[not_found]
    picture = upload(SpecWorld.picture.string, "boat.jpg")
    expect(code { world.act("Media::EditFilm", :ines, client, media_id: picture, edit: {}) }).to eq %w[no_film edit]
    film
    said = Array.new(5) { Thread.new { code { ask({ "mute" => true }) } } }.map(&:value)
    expect(said.tally).to eq(nil => 3, %w[being_made] => 2)
  end

  it "is shown by the picture that was chosen, in the list and large" do
    choose = ->(at) { world.act("Media::ChooseCover", :ines, client, media_id: film, at: at) }
    shades =
      [500, 4_500].map do |at|
        choose.call(at)
        %w[Thumb Preview].map do |face|
          grey(world.act("Media::OpenFile::#{face}", :ines, client, media_id: film)[:path])
        end
      end
    expect(shades).to match [all(be < 60), all(be > 150)]
    expect(one(film)[:cover_ms]).to eq 4_500
    expect(code { choose.call(row(film)[:duration_ms] + 1) }).to eq %w[bad_edit at]
    # a copy of a face on another machine never shows what was before
    faces = Dir[world.environment.files.path("#{row(film)[:file]}.*")].map { |path| File.basename(path)[/\.(.*)/, 1] }
    expect(faces).to match_array %w[preview thumb 500.preview 500.thumb 4500.preview 4500.thumb]
  end
end
