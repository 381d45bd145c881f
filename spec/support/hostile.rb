# frozen_string_literal: true

require "zlib"

# Things that nobody should send us, for every reader of the sandbox: attacks that are known, and files that were good
# before bytes of them were changed. All of it follows from a seed.
class Hostile
  # reader: of Edge::Sandbox::Readers::TABLE · file: bytes that are put into a file · font: likewise, for words
  Sample = Struct.new(:name, :reader, :input, :bytes, :file, :font, keyword_init: true)

  WHERE = { "address" => "http://boats.example/feed", "now" => 1_790_000_000 }.freeze
  MAIL_HEAD = "From: o@q.example\r\nTo: replies+x@f.example\r\nMIME-Version: 1.0\r\n"
  LOOKS = %i[inspect preview small square greys edges type].freeze

  # @param secret [String] path of a file that no answer may hold
  # @param server [Integer] port on loopback that nobody may ask
  def initialize(seed, secret:, server:)
    @random = Random.new(seed)
    @secret = "file://#{secret}"
    @server = "http://127.0.0.1:#{server}/x"
  end

  # @return [Array<Sample>] each known attack once
  def known = feeds + pages + robots + mails + files

  # @return [Sample] a good thing that was damaged
  def damaged
    name, reader, input, bytes, where = good.sample(random: @random)
    broken = damage(bytes.dup.b)
    sample = Sample.new(name: "damaged #{name}", reader: reader, input: input)
    where == :file ? sample.tap { |one| one.file = broken } : sample.tap { |one| one.bytes = broken }
  end

  private

  def feed(name, body) = Sample.new(name: "feed: #{name}", reader: :feed, input: WHERE, bytes: body.b)
  def rss(inner, head = "") = "<?xml version=\"1.0\"?>#{head}<rss version=\"2.0\"><channel>#{inner}</channel></rss>"
  def item(title) = "<item><title>#{title}</title><link>http://boats.example/1</link></item>"

  def feeds
    outside = { "a file" => @secret, "a server" => @server }
    entities =
      outside.flat_map do |what, address|
        general = "<!DOCTYPE rss [<!ENTITY x SYSTEM \"#{address}\">]>"
        parameter = "<!DOCTYPE rss [<!ENTITY % p SYSTEM \"#{address}\"> %p;]>"
        whole = "<!DOCTYPE rss SYSTEM \"#{address}\">"
        wide = "\uFEFF#{rss(item("[&x;]"), general)}".encode("UTF-16LE")
        seven =
          "<?xml version=\"1.0\" encoding=\"UTF-7\"?>+ADw-!DOCTYPE rss +AFsAPA-!ENTITY x SYSTEM " \
            "\"#{address}\"+AD4AXQA+-"
        include =
          "<item xmlns:xi=\"http://www.w3.org/2001/XInclude\"><title><xi:include href=\"#{address}\" " \
            "parse=\"text\"/></title></item>"
        {
          "entity of #{what}" => rss(item("[&x;]"), general),
          "parameter entity of #{what}" => rss(item("fog"), parameter),
          "document type of #{what}" => rss(item("&x;"), whole),
          "entity of #{what} in UTF-16" => wide,
          "entity of #{what} in UTF-7" => "#{seven}<rss><channel>#{item("&x;")}</channel></rss>",
          "inclusion of #{what}" => rss(include),
          "stylesheet of #{what}" => "<?xml-stylesheet href=\"#{address}\"?>#{rss(item("fog"))}",
          "entity of #{what} in Atom" =>
            "<!DOCTYPE feed [<!ENTITY x SYSTEM \"#{address}\">]><feed xmlns=\"http://www.w3.org/2005/Atom\"><entry><title>&x;</title></entry></feed>"
        }.to_a
      end
    laughs = ("b".."i").map { |n| "<!ENTITY #{n} \"#{"&#{(n.ord - 1).chr};" * 20}\">" }.join
    plain = {
      "entities that grow" => rss(item("&i;"), "<!DOCTYPE x [<!ENTITY a \"#{"fog" * 50}\">#{laughs}]>"),
      "an element that never ends" => "<feed" * 20_000,
      "nested markup" => rss(item("&lt;b&gt;" * 400_000)),
      "nested elements" => "<rss>#{"<a>" * 300_000}",
      "many items" => rss(item("x") * 60_000),
      "a long attribute" => "<rss a=\"#{"x" * 4_000_000}\"/>",
      "no text at all" => "\xFF\xFE\x00<rss>\x00".b,
      "JSON of wrong types" => json([1, nil, [], { "id" => {}, "url" => 7, "title" => [1], "date_published" => {} }]),
      "JSON without addresses" => json([{ "id" => "1", "title" => "Fog" }, { "id" => 2 }]),
      "JSON with dates of no calendar" => json([{ "id" => "1", "title" => "x", "date_published" => "9" * 5_000 }]),
      "deep JSON" => "{\"version\":\"https://jsonfeed.org/version/1.1\",\"items\":#{"[" * 200_000}"
    }
    (entities + plain.to_a).map { |name, body| feed(name, body) }
  end

  def json(items) = JSON.generate("version" => "https://jsonfeed.org/version/1.1", "title" => 5, "items" => items)

  def pages
    {
      "entity" => "<!DOCTYPE html [<!ENTITY x SYSTEM \"#{@secret}\">]><title>&x;</title>",
      "import" => "<link rel=import href=\"#{@server}\"><iframe src=\"#{@server}\"></iframe><title>x</title>",
      "nested" => "<div>" * 200_000,
      "attributes" => "<meta #{(0..12_000).map { |n| "a#{n}=b" }.join(" ")}>",
      "comment" => "<!--#{"-" * 900_000}",
      "picture" =>
        "<meta property=\"og:image\" content=\"#{@secret}\"><link rel=alternate type=application/rss+xml " \
          "href=\"javascript:1\">"
    }.flat_map do |name, body|
      %i[page named_feed].map { |one| Sample.new(name: "#{one}: #{name}", reader: one, input: WHERE, bytes: body.b) }
    end
  end

  def robots
    {
      "stars" => "User-agent: *\nDisallow: /#{"*" * 18}!",
      "many stars" => "User-agent: *\n#{"Disallow: /#{"*a" * 2_000}$\n" * 100}",
      "many rules" => "User-agent: *\n#{"Disallow: /a*b*c*d*e\n" * 25_000}",
      "a long line" => "Disallow: #{"x" * 500_000}",
      "no text" => "\x00\xFF" * 5_000
    }.map do |name, body|
      input = { "agent" => "AskFirst", "address" => "http://boats.example/#{"a" * 3_000}" }
      Sample.new(name: "robots: #{name}", reader: :robots, input: input, bytes: body.b)
    end
  end

  def mails
    nested = (0...2_000).map { |n| "Content-Type: multipart/mixed; boundary=b#{n}\r\n\r\n--b#{n}\r\n" }.join
    inner = "Content-Type: message/rfc822\r\n\r\n" * 2_000
    flat = "Content-Type: multipart/mixed; boundary=b\r\n\r\n#{"--b\r\n\r\nx\r\n" * 6_000}--b--"
    continued = (0..5_000).map { |n| " filename*#{n}*=x;" }.join("\r\n")
    {
      "nested parts" => nested,
      "mails in mails" => inner,
      "flat parts" => flat,
      "a long To" => "To: #{"a@b.example, " * 170_000}\r\n\r\nHi",
      "a To of brackets" => "To: #{"(" * 19_000}\r\n\r\nHi",
      "many fields" => "#{"X-A: b\r\n" * 60_000}\r\nHi",
      "a transfer encoding that nobody knows" => "Content-Transfer-Encoding: x-what\r\n\r\nHi",
      "a charset that nobody knows" => "Content-Type: text/plain; charset=x-what\r\n\r\nHi",
      "continued names" => "Content-Disposition: attachment;\r\n#{continued}\r\n\r\nx",
      "HTML that nests" => "Content-Type: text/html\r\n\r\n#{"<blockquote>" * 150_000}",
      "HTML of files" =>
        "Content-Type: text/html\r\n\r\n<!DOCTYPE x [<!ENTITY x SYSTEM \"#{@secret}\">]><p>&x;<img src=\"#{@server}\">",
      "quoted lines" => "\r\n#{"> " * 90_000}",
      "an encoded subject" => "Subject: #{"=?utf-8?B?#{"/" * 60}?= " * 250}\r\n\r\nHi"
    }.map do |name, rest|
      input = { "cut" => false, "checker" => "mail.f.example" }
      Sample.new(name: "mail: #{name}", reader: :mail, input: input, bytes: "#{MAIL_HEAD}#{rest}".b)
    end
  end

  def files
    named = {
      "a drawing with an entity" =>
        "<?xml version=\"1.0\"?><!DOCTYPE svg [<!ENTITY x SYSTEM \"#{@secret}\">]><svg " \
          "xmlns=\"http://www.w3.org/2000/svg\" " \
          "width=\"9\" height=\"9\"><image href=\"#{@server}\"/><text>&x;</text></svg>",
      "a picture with packed text" => png([["zTXt", "Comment\0\0".b + Zlib.deflate("x" * 20_000_000)]]),
      "a picture of nothing but size" => png([], width: 20_000, height: 20_000),
      "a picture of many texts" => png([["tEXt", "C\0y".b]] * 100_000),
      "a playlist" => "#EXTM3U\n#EXTINF:1,\n#{@secret}\n#EXTINF:1,\n#{@server}\n",
      "a list of films" => "ffconcat version 1.0\nfile '#{@secret}'\nfile '#{@server}'\n",
      "a film that names another" => film(@secret),
      "a document that loops" => pdf("<< /Type /Pages /Kids [2 0 R] /Count 1 >>"),
      "a document of many pages" => pdf("<< /Type /Pages /Kids [#{"3 0 R " * 20_000}] /Count 20000 >>"),
      "an archive that grows" => "PK\x03\x04#{Zlib.deflate("0" * 9_000_000)}",
      "nothing" => "",
      "a GIF of one huge screen" => "GIF89a\xFF\xFF\xFF\xFF\xF7\x00\x00,\x00\x00\x00\x00\xFF\xFF\xFF\xFF\x00\x08",
      "a JPEG of one huge screen" =>
        "\xFF\xD8\xFF\xC0\x00\x11\b\xFF\xFF\xFF\xFF\x03\x01\x22\x00\x02\x11\x01\x03\x11\x01\xFF\xD9"
    }
    looked =
      named.flat_map do |name, bytes|
        LOOKS.map do |one|
          input = { "side" => 64, "kind" => %w[picture video document].sample(random: @random) }
          Sample.new(name: "#{one}: #{name}", reader: one, input: input, file: bytes.b)
        end
      end
    looked + fonts
  end

  def fonts
    ["", "\x00\x01\x00\x00\xFF\xFF", "<!DOCTYPE x [<!ENTITY x SYSTEM \"#{@secret}\">]><font>&x;</font>"].map do |bytes|
      words = { "text" => "Fog", "at" => "top", "size" => 100, "ground" => "#FFFFFF", "colour" => "#000000" }
      input = { "edit" => { "words" => words }, "mime" => "image/png" }
      Sample.new(
        name: "edit: a font of #{bytes.bytesize} bytes",
        reader: :edit,
        input: input,
        file: png([]),
        font: bytes.b
      )
    end
  end

  # Format: PNG, RFC 2083 (from memory).
  def png(chunks, width: 8, height: 8)
    rows = width > 1_000 ? "" : ("\0#{"\x7F" * width}".b * height)
    head = ["IHDR", [width, height, 8, 0, 0, 0, 0].pack("NNCCCCC")]
    body = [head, *chunks, ["IDAT", Zlib.deflate(rows)], ["IEND", ""]]
    "\x89PNG\r\n\x1A\n".b + body.map { |type, data| chunk(type, data.b) }.join
  end

  def chunk(type, data) = [data.bytesize].pack("N") + type.b + data + [Zlib.crc32(type.b + data)].pack("N")

  # Format: ISO/IEC 14496-12 (from memory): a track whose data lie at another address.
  def film(address)
    box = ->(type, *parts) { parts.join.b.then { |data| [data.bytesize + 8].pack("N") + type.b + data } }
    reference = box.call("dref", [0, 1].pack("NN"), box.call("url ", [0].pack("N"), "#{address}\0"))
    track = box.call("trak", box.call("mdia", box.call("minf", box.call("dinf", reference))))
    box.call("ftyp", "isom", [0].pack("N"), "isom") + box.call("moov", track)
  end

  def pdf(pages)
    "%PDF-1.7\n1 0 obj\n<< /Type /Catalog /Pages 2 0 R >>\nendobj\n2 0 obj\n#{pages}\nendobj\n3 0 obj\n<< /Type " \
      "/Page /Parent 2 0 R /MediaBox [0 0 9 9] /Contents << /F (#{@secret}) >> >>\nendobj\ntrailer\n" \
      "<< /Root 1 0 R >>\n%%EOF\n"
  end

  def good
    @good ||= [
      ["feed", :feed, WHERE, rss("<title>Boats</title>#{item("Fog &amp; ice")}")],
      ["JSON feed", :feed, WHERE, json([{ "id" => "1", "url" => "http://b.example", "content_html" => "<p>Fog</p>" }])],
      ["page", :page, WHERE, "<html><head><meta property=\"og:title\" content=\"Fog\"><title>x</title></head></html>"],
      [
        "robots",
        :robots,
        { "agent" => "AskFirst", "address" => "http://b.example/x" },
        "User-agent: *\nDisallow: /*.gif$"
      ],
      ["mail", :mail, { "cut" => false, "checker" => "" }, mail],
      *LOOKS.map { |one| ["picture", one, { "side" => 64, "kind" => "picture" }, png([["tEXt", "C\0y".b]]), :file] },
      *LOOKS.first(2).map { |one| ["JPEG", one, { "side" => 64, "kind" => "picture" }, jpeg, :file] },
      ["document", :inspect, {}, pdf("<< /Type /Pages /Kids [3 0 R] /Count 1 >>"), :file]
    ]
  end

  def mail
    Mail
      .new(from: "o@q.example", to: "r@f.example", subject: "Für Sonntag", body: "Ja.\n> Nein?")
      .tap { |one| one.add_file(filename: "log.txt", content: "half visibility") }
      .to_s
  end

  def jpeg = @jpeg ||= Vips::Image.black(16, 16, bands: 3).jpegsave_buffer

  def damage(bytes)
    return bytes if bytes.empty?

    (1 + @random.rand(6)).times do
      at = @random.rand(bytes.bytesize)
      case @random.rand(5)
      when 0
        bytes.setbyte(at, @random.rand(256))
      when 1
        bytes = bytes.byteslice(0, at) + @random.bytes(@random.rand(40)) + bytes.byteslice(at..)
      when 2
        bytes = bytes.byteslice(0, at) + (bytes.byteslice(at..).to_s * (1 + @random.rand(3)))
      when 3
        bytes = bytes.byteslice(0, [at, 1].max)
      else
        bytes = bytes.byteslice(0, at) + (bytes.byteslice(at, 8).to_s * 500) + bytes.byteslice(at..).to_s
      end
      bytes = "x".b if bytes.empty?
    end
    bytes.byteslice(0, 1_000_000)
  end
end
