# frozen_string_literal: true

# The fonts are Debian's DejaVu, which the application sets up.
RSpec.describe "Words on a picture in the client's own font" do
  let(:client) { fresh_client }
  let(:boat) { world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture, name: "boat.jpg")[:id] }

  def brand_file(path, name)
    File.open(path, "rb") { |io| world.act("Clients::AddBrandFile", :ines, client, io: io, name: name) }
  end

  def serif = brand_file("/usr/share/fonts/truetype/dejavu/DejaVuSerif-Bold.ttf", "Quill.ttf")
  def words(font) = { "words" => { "text" => "Iill", "colour" => "#FFFFFF", "ground" => "#1D5C74", "font" => font } }
  def look(font) = world.act("Media::EditPreview", :ines, client, media_id: boat, edit: words(font))

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field]
  end

  it "is shown and kept in the letters of that file" do
    font = serif
    plain, own = [nil, font].map { |each| Vips::Image.new_from_buffer(look(each), "") }
    expect((plain.cast(:float) - own.cast(:float)).abs.max).to be > 100
    made = world.act("Media::EditMedium", :ines, client, media_id: boat, edit: words(font))[:id]
    expect(db[:media].where(id: made).get(:edit).to_h.dig("words", "font")).to eq font
  end

  it "is refused for a file that is no font, is broken, was taken away, or is another client's" do
    none = %w[no_font words]
    expect(code { look(brand_file(__FILE__, "guide.txt")) }).to eq none
    expect(code { look(AskFirst::Core::Uuid.v7(Time.now)) }).to eq none
    expect(code { look("serif") }).to eq %w[bad_edit words]
    font = serif
    other = fresh_client
    theirs = world.act("Media::UploadMedia", :ines, other, io: SpecWorld.picture, name: "boat.jpg")[:id]
    expect(code { world.act("Media::EditPreview", :ines, other, media_id: theirs, edit: words(font)) }).to eq none
    world.act("Clients::RemoveBrandFile", :ines, client, file_id: font)
    expect(code { look(font) }).to eq none
    File.open("/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf", "rb") do |io|
      cut = world.act("Clients::AddBrandFile", :ines, client, io: StringIO.new(io.read(400)), name: "cut.ttf")
      expect(code { look(cut) }).to eq %w[font_broken words]
    end
  end
end
