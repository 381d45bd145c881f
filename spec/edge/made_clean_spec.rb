# frozen_string_literal: true

require "open3"

# What people upload was made by somebody else: what goes out of it holds what can be seen, and nothing more. The
# documents are written by hand after ISO 32000-1 (from memory), and looked into with QPDF.
RSpec.describe "Files that are made clean" do
  let(:kinds) { AskFirst::Edge::Files::MediaReader.new(Infrastructure.sandbox) }

  # A PDF out of its objects, with its table of places.
  def pdf(objects, info: nil)
    body = +"%PDF-1.7\n"
    places =
      objects.to_h do |number, content|
        [number, body.bytesize, body << "#{number} 0 obj\n#{content}\nendobj\n"].first(2)
      end
    start = body.bytesize
    body << "xref\n0 #{objects.size + 1}\n0000000000 65535 f \n" <<
      (1..objects.size).map { |number| format("%010d 00000 n \n", places.fetch(number)) }.join
    body << "trailer\n<< /Size #{objects.size + 1} /Root 1 0 R#{" /Info #{info} 0 R" if info} " \
      ">>\nstartxref\n#{start}\n%%EOF\n"
  end

  def stream(text) = "<< /Length #{text.bytesize} >>\nstream\n#{text}\nendstream"

  let(:loaded) do
    pdf(
      {
        1 =>
          "<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert\\(1\\)) >> /AA << /WC << /S " \
            "/JavaScript /JS (closing\\(\\)) >> >> " \
            "/Names << /EmbeddedFiles << /Names [(salaries.xlsx) 6 0 R] >> >> /AcroForm << /Fields [8 0 R] >> " \
            "/Metadata 9 0 R >>",
        2 => "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
        3 =>
          "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 420 595] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> " \
            ">> /Annots [7 0 R 8 0 R 11 0 R] " \
            "/AA << /O << /S /Launch /F (calc.exe) >> >> /Metadata 9 0 R /PieceInfo << /Editor << /Private (EDITOR " \
            "PRIVATE) >> >> >>",
        4 => stream("BT /F1 24 Tf 60 500 Td (Winter timetable) Tj ET"),
        5 => "<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>",
        6 => "<< /Type /Filespec /F (salaries.xlsx) /EF << /F 10 0 R >> >>",
        7 =>
          "<< /Type /Annot /Subtype /Text /Rect [10 10 30 30] /F 4 /Contents (INTERNAL NOTE raise the price) /T " \
            "(Somebody) >>",
        8 => "<< /Type /Annot /Subtype /Widget /FT /Tx /T (field) /V (FORM VALUE) /Rect [50 50 90 70] /F 4 >>",
        9 => "<< /Type /Metadata /Subtype /XML /Length 22 >>\nstream\n<x>METADATA SECRET</x>\nendstream",
        10 => "<< /Type /EmbeddedFile /Length 15 >>\nstream\nEMBEDDED SECRET\nendstream",
        11 => "<< /Type /Annot /Subtype /Link /Rect [0 0 9 9] /A << /S /Launch /F (cmd.exe) >> >>",
        12 => "<< /Title (Timetable\nPages: 99\nPage    1 size: 1 x 1 pts) /Author (AUTHOR NAME) >>"
      },
      info: 12
    )
  end

  def plain(bytes)
    Tempfile.create(%w[made .pdf], binmode: true) do |file|
      file.write(bytes)
      file.flush
      Open3.capture2("qpdf", "--qdf", "--object-streams=disable", file.path, "-", binmode: true).first
    end
  end

  def text_of(bytes)
    Open3.capture2("pdftotext", "-", "-", stdin_data: bytes, binmode: true).first
  end

  describe "a document" do
    it "goes out with its pages, and without scripts, launch actions, attached files, notes, forms and metadata" do
      expect(plain(loaded)).to match(/JavaScript/).and match(/Launch/).and match(/EMBEDDED SECRET/).and match(
                          /INTERNAL NOTE/
                        ).and match(/METADATA SECRET/)
      made = kinds.render(StringIO.new(loaded), { "kind" => "document", "mime" => "application/pdf" })
      inside = plain(made)
      %w[
        JavaScript
        /JS
        /Launch
        /OpenAction
        /AA
        /EmbeddedFile
        /Filespec
        /Annots
        /AcroForm
        /Metadata
        /PieceInfo
        /Names
        /Author
        /Title
      ].each { |key| expect([key, inside.include?(key)]).to eq [key, false] }
      [
        "EMBEDDED SECRET",
        "INTERNAL NOTE",
        "FORM VALUE",
        "METADATA SECRET",
        "EDITOR PRIVATE",
        "AUTHOR NAME",
        "salaries",
        "calc.exe"
      ].each { |words| expect([words, inside.include?(words)]).to eq [words, false] }
      expect(text_of(made)).to include "Winter timetable"
      expect(kinds.render(StringIO.new(loaded), { "kind" => "document", "mime" => "application/pdf" })).to eq made
    end

    it "is counted and measured by its pages, whatever its title says" do
      expect(kinds.inspect(StringIO.new(loaded))).to eq(
        kind: "document",
        mime: "application/pdf",
        width: 420,
        height: 595,
        pages: 1
      )
    end

    it "shows in its preview what goes out: no note is drawn on it" do
      without = loaded.sub("/Annots [7 0 R 8 0 R 11 0 R]", "/Xnnots [7 0 R 8 0 R 11 0 R]")
      expect(kinds.preview(StringIO.new(loaded), "document").read).to eq kinds.preview(
           StringIO.new(without),
           "document"
         ).read
    end
  end

  describe "a picture that was cut off" do
    it "is refused wherever it was cut, as JPEG, PNG and WebP" do
      image = Vips::Image.gaussnoise(600, 400, seed: 7).cast(:uchar)
      { ".jpg" => [0.3, 0.7, 0.97], ".png" => [0.3, 0.9], ".webp" => [0.5] }.each do |ending, shares|
        bytes = image.write_to_buffer(ending)
        expect(kinds.inspect(StringIO.new(bytes))).to include(width: 600, height: 400)
        shares.each do |share|
          expect(
            [ending, share, refused { kinds.inspect(StringIO.new(bytes[0, (bytes.bytesize * share).to_i])) }]
          ).to eq [ending, share, "picture_broken"]
        end
      end
    end

    it "is not rendered either, should one lie in the files from before" do
      bytes = Vips::Image.gaussnoise(600, 400).cast(:uchar).write_to_buffer(".jpg")
      spec = { "crop" => [0, 0, 600, 400], "size" => [600, 400], "kind" => "picture", "mime" => "image/jpeg" }
      expect { kinds.render(StringIO.new(bytes[0, bytes.bytesize / 2]), spec) }.to raise_error(AskFirst::Core::Invalid)
    end
  end

  describe "a video" do
    def film(size, seconds: 1)
      Tempfile.create(%w[film .mp4], binmode: true) do |file|
        system(
          "ffmpeg",
          "-v",
          "error",
          "-y",
          "-f",
          "lavfi",
          "-i",
          "color=c=blue:s=#{size}:d=#{seconds}:r=1",
          "-c:v",
          "mpeg4",
          file.path,
          exception: true
        )
        StringIO.new(File.binread(file.path))
      end
    end

    it "has limits on its pixels and its length" do
      expect(refused { kinds.inspect(film("4160x4160")) }).to eq "video_too_large"
      expect(refused { kinds.inspect(film("16x16", seconds: 3_700)) }).to eq "video_too_long"
      expect(kinds.inspect(film("64x36"))).to include(width: 64, height: 36, duration_ms: 1_000)
    end

    it "programs that read files have a limit on their memory" do
      expect(AskFirst::Edge::Files::Tools.run("ruby", "-e", "x = 'a' * (3 * 1024**3); puts x.size")).to be_nil
      expect(AskFirst::Edge::Files::Tools.run("echo", "fine")).to eq "fine\n"
    end
  end
end
