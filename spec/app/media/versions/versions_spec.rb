# frozen_string_literal: true

require "prawn"

# Versions of a medium, and pictures that are made of others.
RSpec.describe "Versions of a medium" do
  let(:client) { fresh_client }
  let(:channel) { connected(client) }
  let(:boat) { upload(1) }

  def upload(seed, name: "boat.jpg") =
    world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: name)[:id]

  def newer(id, seed, posts: [], io: SpecWorld.picture(seed))
    world.act("Media::NewVersion", :ines, client, media_id: id, io: io, post_ids: posts)
  end

  def edit(id, steps, **more) = world.act("Media::EditMedium", :ines, client, media_id: id, edit: steps, **more)
  def one(id) = world.act("Media::Medium", :ines, client, media_id: id)
  def names = world.act("Media::Library", :ines, client)[:media].map { |medium| [medium[:name], medium[:number]] }
  def parts(post) = db[:parts].where(post_id: post).select_hash(:part, :value)
  def cost(id) = world.act("Media::VersionCost", :ines, client, media_id: id)

  def post_with(*media)
    post = plain_post(client, channel)
    world.write(post, "media", media, who: :ines, client: client)
    world.write(post, "descriptions", media.to_h { |id| [id, "A boat"] }, who: :ines, client: client)
    post
  end

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  it "stands in the library in the place of the one before, with all that is said of it" do
    folder = world.act("Media::SaveFolder", :ines, client, name: "Boats")
    said = { "description" => "A boat", "folder_id" => folder, "labels" => ["Night"], "usable_until" => "2027-01-01" }
    world.act("Media::UpdateMedium", :ines, client, media_id: boat, fields: said, version: 1)
    second = newer(boat, 2)[:id]
    expect(names).to eq [["boat.jpg", 2]]
    expect(one(second)).to include(description: "A boat", folder_id: folder, usable_until: "2027-01-01", number: 2)
    expect(one(second)[:label_ids].size).to eq 1
    expect(one(second)[:versions].map { |version| version.values_at(:number, :id) }).to eq [[2, second], [1, boat]]
    expect(one(boat)[:replaced_by]).to eq second
    expect(code { newer(boat, 3) }).to eq %w[not_newest]
  end

  it "goes into the drafts that are named, with what hangs on it, and into no other" do
    one = post_with(boat)
    other = post_with(boat)
    tag = [{ "name" => "Lise", "media" => boat, "x" => 10, "y" => 10 }]
    world.write(one, "tagged", tag, who: :ines, client: client)
    world.write(one, "framing", { boat => { "shape" => [1, 1] } }, who: :ines, client: client)
    expect(cost(boat).map { |post| post.values_at(:id, :effect) }).to match_array [[one, "changes"], [other, "changes"]]
    made = newer(boat, 2, posts: [one])
    expect(made[:posts]).to eq 1
    expect(parts(one)).to include(
      "media" => [made[:id]],
      "descriptions" => {
        made[:id] => "A boat"
      },
      "framing" => {
        made[:id] => {
          "shape" => [1, 1]
        }
      },
      "tagged" => [tag.first.merge("media" => made[:id])]
    )
    expect(parts(other)["media"]).to eq [boat]
  end

  it "is refused by the seal, and then nothing of it is there; what opening would cost is said before" do
    one_step_route(client)
    free = post_with(boat)
    sealed = post_with(boat)
    step = world.act("Signoff::SendAsk", :ines, client, **ask(sealed))
    expect(step).not_to be_nil
    found = cost(boat).to_h { |post| [post[:id], post] }
    expect(found[free]).to include(effect: "changes", costs: [])
    expect(found[sealed]).to include(effect: "sealed", why: a_string_including("unlock it there first"))
    expect(found[sealed][:costs].join).to include "is withdrawn"
    files = -> { Dir[File.join(world.settings.files, world.workspace(client), "*")].sort }
    there = files.call
    count = db[:media].count
    expect(code { newer(boat, 2, posts: [free, sealed]) }).to eq %w[sealed media]
    expect([db[:media].count, parts(free)["media"], one(boat)[:replaced_by]]).to eq [count, [boat], nil]
    expect(files.call).to eq there
    expect(newer(boat, 2, posts: [free])[:posts]).to eq 1
    expect(parts(sealed)["media"]).to eq [boat]
  end

  def ask(post)
    step_id = db[:route_steps].where(workspace_id: world.workspace(client)).order(:position).get(:id)
    { step_id: step_id, post_ids: [post], due_at: world.environment.now + 86_400, message: "" }
  end

  it "for a post that is none, or another client's, is refused; no file of it is left" do
    boat
    files = Dir[File.join(world.settings.files, world.workspace(client), "*")].size
    expect(code { newer(boat, 2, posts: ["nothing"]) }).to eq %w[not_found]
    expect(newer(boat, 2, posts: [world.draft])[:posts]).to eq 0
    expect(Dir[File.join(world.settings.files, world.workspace(client), "*")].size).to eq files + 1
  end

  it "of another kind, or of the very same bytes, is none" do
    expect(code { newer(boat, 1) }).to eq %w[same_file file]
    expect(code { newer(boat, 0, io: StringIO.new("no picture")) }).to eq %w[not_a_picture file]
  end

  it "two at once, one is the newer one" do
    all = [2, 3].map { |seed| Thread.new { code { newer(boat, seed) } } }.map(&:value)
    expect(all).to match_array [nil, %w[not_newest]]
  end

  describe "Made by an edit" do
    def bytes(id) = world.environment.files.open(db[:media].where(id: id).get(:file), &:read)

    it "is turned, cut and written on, and the original stays" do
      before = bytes(boat)
      width, height = db[:media].where(id: boat).get(%i[width height])
      words = { "text" => "Night & fog <now>", "colour" => "#FFFFFF", "ground" => "#1D5C74" }
      made = edit(boat, { "turn" => 90, "frame" => { "shape" => [1, 1] }, "light" => 10, "words" => words })[:id]
      side = [width, height].min
      expect(db[:media].where(id: made).get(%i[width height number])).to eq [side, side, 2]
      picture = Vips::Image.new_from_buffer(bytes(made), "")
      expect(picture.getpoint(3, side - 4).map(&:round)).to match [
              be_within(6).of(0x1D),
              be_within(6).of(0x5C),
              be_within(6).of(0x74)
            ]
      expect(bytes(boat)).to eq before
      expect(one(made)[:versions].first).to include(edited: true)
    end

    it "the same steps make the same picture; as a picture of its own it stands beside the other" do
      steps = { "level" => 30, "contrast" => 20 }
      first, second = Array.new(2) { edit(boat, steps, copy: true)[:id] }
      expect(db[:media].where(id: [first, second]).select_map(:digest).uniq.size).to eq 1
      expect(names.size).to eq 3
    end

    it "is seen beforehand, at the size of the screen, and nothing is kept" do
      boat
      count = db[:media].count
      seen = world.act("Media::EditPreview", :ines, client, media_id: boat, edit: { "turn" => 270 })
      expect(Vips::Image.new_from_buffer(seen, "").get("vips-loader")).to start_with "jpegload"
      expect(db[:media].count).to eq count
    end

    it "that changes nothing, or of what is no picture, is refused" do
      expect(code { edit(boat, { "turn" => 0 }) }).to eq %w[nothing_changed edit]
      paper = StringIO.new(Prawn::Document.new.render)
      menu = world.act("Media::UploadMedia", :ines, client, io: paper, name: "menu.pdf")[:id]
      expect(code { edit(menu, { "turn" => 90 }) }).to eq %w[no_picture edit]
    end

    # EXIF 2.3, orientation: the eight ways in which a camera is held (from memory). Drawn so that the upright picture
    # has a bright corner at the top left, each is upright before it is edited.
    it "reads all eight of EXIF's orientations upright" do
      upright = Vips::Image.black(40, 20).draw_rect(255, 0, 0, 10, 10, fill: true).cast(:uchar)
      ways = {
        1 => upright,
        2 => upright.flip(:horizontal),
        3 => upright.rot180,
        4 => upright.flip(:vertical),
        5 => upright.rot90.flip(:horizontal),
        6 => upright.rot270,
        7 => upright.rot270.flip(:horizontal),
        8 => upright.rot90
      }
      ways.each do |orientation, stored|
        tagged = stored.copy.mutate { |image| image.set_type!(GObject::GINT_TYPE, "orientation", orientation) }
        io = StringIO.new(tagged.jpegsave_buffer(Q: 100))
        seen = world.environment.media.inspect(io)
        made = Vips::Image.new_from_buffer(world.environment.media.edit(io, { "contrast" => 1 }, "image/png"), "")
        corners = [[2, 2], [37, 2], [2, 17], [37, 17]].map { |x, y| made.getpoint(x, y).first > 128 }
        expect([orientation, seen[:width], seen[:height], corners]).to eq [
             orientation,
             40,
             20,
             [true, false, false, false]
           ]
      end
    end
  end
end
