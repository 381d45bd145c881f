# frozen_string_literal: true

# The videos are made, and read back, by FFmpeg; the document is written by hand after ISO 32000 (from memory) and
# read by Poppler.
RSpec.describe "Videos and documents", :database do
  def film(seconds: 6, size: "90x160")
    @film ||= {}
    @film[[seconds, size]] ||= Dir.mktmpdir do |dir|
      path = File.join(dir, "film.mp4")
      system(
        "ffmpeg",
        "-v",
        "error",
        "-f",
        "lavfi",
        "-i",
        "testsrc=size=#{size}:rate=10:duration=#{seconds}",
        "-metadata",
        "comment=shot on the pier by Sunniva",
        "-pix_fmt",
        "yuv420p",
        path,
        exception: true
      )
      File.binread(path)
    end
  end

  def paper
    page = "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 420 595] >>"
    objects = [
      "<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert) >> >>",
      "<< /Type /Pages /Kids [3 0 R 4 0 R] /Count 2 >>",
      page,
      page,
      "<< /Author (Sunniva Achterberg) /Title (not for the client) >>"
    ]
    body = +"%PDF-1.4\n"
    offsets =
      objects.each_with_index.map { |object, n| body.bytesize.tap { body << "#{n + 1} 0 obj\n#{object}\nendobj\n" } }
    xref = body.bytesize
    body << "xref\n0 6\n0000000000 65535 f \n" << offsets.map { |at| format("%010d 00000 n \n", at) }.join <<
      "trailer << /Size 6 /Root 1 0 R /Info 5 0 R >>\nstartxref\n#{xref}\n%%EOF\n"
  end

  def upload(bytes, name)
    world.act("Media::UploadMedia", :sunniva, io: StringIO.new(bytes), name: name)
  end

  it "are known by their bytes: kind, size, length, pages" do
    expect(upload(film, "boat.jpg")).to include(
      kind: "video",
      mime: "video/mp4",
      width: 90,
      height: 160,
      duration_ms: 6_000,
      frame_rate: 10.0
    )
    expect(upload(paper, "timetable.mp4")).to include(
      kind: "document",
      mime: "application/pdf",
      width: 420,
      height: 595,
      pages: 2
    )
  end

  it "that are broken are refused with a sentence" do
    expect(refused { upload(film[0, 400], "cut.mp4") }).to eq "video_broken"
    expect(refused { upload("%PDF-1.4\nnothing", "x.pdf") }).to eq "document_broken"
  end

  it "a document goes out with the same pages and without its hidden data, in the same bytes each time" do
    expect(paper).to include("Sunniva", "JavaScript")
    made =
      Array.new(2) do
        world.environment.media.render(StringIO.new(paper), { "kind" => "document", "mime" => "application/pdf" })
      end
    expect(made.uniq.size).to eq 1
    expect(made.first).not_to match(/Sunniva|not for the client|JavaScript/n)
    expect(world.environment.media.inspect(StringIO.new(made.first))).to eq(
      kind: "document",
      mime: "application/pdf",
      width: 420,
      height: 595,
      pages: 2
    )
    expect(
      refused { world.environment.media.render(StringIO.new("%PDF-1.4\nnothing"), { "kind" => "document" }) }
    ).to eq "document_broken"
  end

  it "a video goes out without its hidden data, and is asked about as exactly that file" do
    made = world.environment.media.render(StringIO.new(film), { "kind" => "video", "mime" => "video/mp4" })
    said =
      AskFirst::Edge::Files::Tools.at_path(StringIO.new(made)) do |path|
        AskFirst::Edge::Files::Tools.run("ffprobe", "-v", "error", "-show_format", path)
      end
    expect(said).to include("duration=6.0")
    expect(said).not_to include("Sunniva")
  end

  it "a picture goes out as a picture, whatever stands before it in the post" do
    client = fresh_client
    post = plain_post(client, connected(client, "ticker"))
    ids =
      [film, SpecWorld.picture(2).string].map do |bytes|
        world.act("Media::UploadMedia", :ines, client, io: StringIO.new(bytes), name: "file")[:id]
      end
    { "media" => ids, "format" => "picture" }.each do |part, value|
      world.act(
        "Posts::UpdatePart",
        :ines,
        client,
        post_id: post,
        channel_id: nil,
        part: part,
        value: value,
        version: 0
      )
    end
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    request = db[:revision_adaptations].where(post_id: post).get(:request)
    expect(request["media"].map { |file| file["digest"] }).to eq db[:renditions].where(media_id: ids.last).select_map(
         :digest
       )
  end

  it "a story, which its network's protocol does not take, is handed over by hand at its time" do
    client = fresh_client
    channel = connected(client, "spool")
    post = plain_post(client, channel, text: "Not part of a story")
    id = world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(2), name: "story.jpg")[:id]
    { "media" => [id], "format" => "story" }.each do |part, value|
      world.act(
        "Posts::UpdatePart",
        :ines,
        client,
        post_id: post,
        channel_id: nil,
        part: part,
        value: value,
        version: 0
      )
    end
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    world.release(post, client: client)
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    showing = db[:showings].where(post_id: post).get(:id)
    AskFirst::App::Dispatch::Advance.call(
      world.environment,
      AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
      showing_id: showing
    )
    expect(db[:showings].where(id: showing).get(:state)).to eq "by_hand"
    page = world.act("Dispatch::ByHandPage", :ines, client, showing_id: showing)
    expect([page[:text], page[:pictures].size]).to eq ["", 1]
  end

  it "a video is a format of its own: what it needs is asked for, what is too short is stopped" do
    client = fresh_client
    channel = connected(client, "spool")
    post = plain_post(client, channel)
    checks = -> do
      world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].first[:proof][:checks]
        .select { |one| one[:level] == "fault" }
        .map { |one| one[:code] }
    end
    expect(checks.call).to eq ["picture_missing"]
    save =
      lambda do |bytes|
        id = world.act("Media::UploadMedia", :ines, client, io: StringIO.new(bytes), name: "film")[:id]
        row = db[:parts].where(post_id: post, part: "media").first
        world.act(
          "Posts::UpdatePart",
          :ines,
          client,
          post_id: post,
          channel_id: nil,
          part: "media",
          value: [id],
          version: row ? row[:version] : 0
        )
      end
    save.call(film(seconds: 3))
    expect(checks.call).to eq ["wrong_length"]
    save.call(film)
    expect(checks.call).to eq []
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    request = db[:revision_adaptations].where(post_id: post).get(:request)
    expect(request["media"].first).to include(
      "kind" => "video",
      "length" => 6_000,
      "digest" =>
        db[:renditions].where(media_id: db[:parts].where(post_id: post, part: "media").get(:value)).get(:digest)
    )
  end
end
