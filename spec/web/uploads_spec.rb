# frozen_string_literal: true

# Files in pieces over HTTP, by tus 1.0 (https://tus.io/protocols/resumable-upload, sections "Core Protocol", "Creation"
# and "Termination"; from memory): what breaks off, what comes twice, what another one sends.
RSpec.describe "Uploads in pieces", :database do
  let(:w) { world.workspace }
  let(:ines) { ApiWorld.client(:ines) }
  let(:bytes) { SpecWorld.picture(seed_of_this).string }
  let(:seed_of_this) { rand(1_000..9_999_999) }

  def raw(client, verb, path, body = nil, **headers)
    tus = { "HTTP_TUS_RESUMABLE" => "1.0.0", "HTTP_SEC_FETCH_SITE" => "same-origin", :input => body }
    client.custom_request(verb.to_s.upcase, path, {}, tus.merge(headers.transform_keys(&:to_s)).compact)
    client.last_response
  end

  def begin_upload(client = ines, length: bytes.bytesize, name: "Für später.jpg")
    meta = "filename #{[name].pack("m0")}"
    reply = raw(client, :post, "/api/w/#{w}/uploads", nil, HTTP_UPLOAD_LENGTH: length.to_s, HTTP_UPLOAD_METADATA: meta)
    expect(reply.status).to eq 201
    URI(reply["location"]).path
  end

  def piece(path, part, at, client = ines)
    raw(client, :patch, path, part, HTTP_UPLOAD_OFFSET: at.to_s, CONTENT_TYPE: "application/offset+octet-stream")
  end

  def offset(path) = raw(ines, :head, path)["upload-offset"].to_i
  def keep(path, client = ines) = client.call(:post, "#{path}/keep", {})

  it "come one after the other, say how far they are, and are in the library once they are whole" do
    path = begin_upload
    expect(piece(path, bytes[0, 1_000], 0).status).to eq 204
    expect(offset(path)).to eq 1_000
    expect(keep(path).first).to eq 404 # not whole yet
    expect(piece(path, bytes[1_000..], 1_000).status).to eq 204
    status, kept = keep(path)
    expect([status, kept["same"]]).to eq [201, false]
    row = db[:media].where(id: kept["id"]).first
    expect([row[:name], row[:digest]]).to eq ["Für später.jpg", Digest::SHA256.hexdigest(bytes)]
    expect(raw(ines, :head, path).status).to eq 404
  end

  it "are the file that is there where it is there already" do
    path = begin_upload
    piece(path, bytes, 0)
    first = keep(path).last
    again = begin_upload(name: "again.jpg")
    piece(again, bytes, 0)
    expect(keep(again).last).to eq("id" => first["id"], "same" => true)
  end

  it "wait where they are while the store is away, and are kept when it is back" do
    path = begin_upload
    piece(path, bytes, 0)
    gone = AskFirst::Core::Away.new("store_away", "The store cannot be used just now.")
    allow(world.environment.files).to receive(:put).and_raise(gone)
    status, problem = keep(path)
    expect([status, problem["code"], offset(path)]).to eq [503, "store_away", bytes.bytesize]
    RSpec::Mocks.space.proxy_for(world.environment.files).reset
    expect(keep(path).first).to eq 201
  end

  it "that were sent already or leave a gap are not taken again" do
    path = begin_upload
    piece(path, bytes[0, 1_000], 0)
    expect([piece(path, bytes[0, 1_000], 0), piece(path, bytes[2_000, 10], 2_000)].map(&:status)).to eq [409, 409]
    expect(piece(path, "#{bytes}x", 1_000).status).to eq 413
    expect(offset(path)).to eq 1_000
  end

  it "of which two come at once are taken one at a time" do
    path = begin_upload
    uploads = world.environment.files.uploads(w, world.person(:ines))
    uploads.alone(path.split("/").last) { expect(piece(path, bytes[0, 10], 0).status).to eq 423 }
    expect(piece(path, bytes[0, 10], 0).status).to eq 204
  end

  it "are taken into the library once, by whichever of two asks first" do
    path = begin_upload
    piece(path, bytes, 0)
    digest = Digest::SHA256.hexdigest(bytes)
    uploads = world.environment.files.uploads(w, world.person(:ines))
    uploads.alone(path.split("/").last) { expect(keep(path)).to match [409, include("code" => "upload_busy")] }
    expect([keep(path).first, keep(path).first]).to eq [201, 404]
    expect(db[:media].where(digest: digest).count).to eq 1
  end

  it "go on behind what is known, whatever a process that died has left there" do
    path = begin_upload
    piece(path, bytes[0, 1_000], 0)
    file = world.environment.files.path("#{w}/uploads/#{world.person(:ines)}/#{path.split("/").last}")
    File.open(file, "ab") { |io| io << "half a piece" }
    piece(path, bytes[1_000..], 1_000)
    status, kept = keep(path)
    expect([status, db[:media].where(id: kept["id"]).get(:digest)]).to eq [201, Digest::SHA256.hexdigest(bytes)]
  end

  it "belong to whoever began them" do
    path = begin_upload
    sunniva = ApiWorld.client(:sunniva)
    expect(raw(sunniva, :head, path).status).to eq 404
    expect(piece(path, bytes, 0, sunniva).status).to eq 404
    expect(keep(path, sunniva).first).to eq 404
    expect(raw(sunniva, :delete, path).status).to eq 404
    expect(offset(path)).to eq 0
  end

  it "of a file that lies about its type are refused when they are whole, and gone" do
    page = "<!doctype html><script>alert(1)</script>"
    path = begin_upload(length: page.bytesize, name: "boat.jpg")
    piece(path, page, 0)
    status, said = keep(path)
    expect([status, said["code"]]).to eq [422, "not_a_picture"]
    expect(raw(ines, :head, path).status).to eq 404
  end

  it "are refused when they would be too much, and given up when they are taken back" do
    most = AskFirst::App::Media::UploadMedia::MOST_BYTES
    more = raw(ines, :post, "/api/w/#{w}/uploads", nil, HTTP_UPLOAD_LENGTH: (most + 1).to_s)
    expect(more.status).to eq 413
    path = begin_upload
    expect(raw(ines, :delete, path).status).to eq 204
    expect(raw(ines, :head, path).status).to eq 404
  end

  it "say it when there is no room left, and keep what has come" do
    path = begin_upload
    piece(path, bytes[0, 1_000], 0)
    allow(IO).to receive(:copy_stream).and_raise(Errno::ENOSPC)
    reply = piece(path, bytes[1_000..], 1_000)
    expect([reply.status, JSON.parse(reply.body)["code"]]).to eq [507, "disk_full"]
    RSpec::Mocks.space.proxy_for(IO).reset
    expect(offset(path)).to eq 1_000
    expect(piece(path, bytes[1_000..], 1_000).status).to eq 204
  end

  it "are kept for a week after their last piece" do
    path = begin_upload
    # the story runs an hour behind
    environment = world.environment.dup.tap { |same| same.clock = AskFirst::Edge::Clock.new(-3_600.0) }
    here = Dir[world.environment.files.path("#{w}/uploads/#{world.person(:ines)}/#{path.split("/").last}*")]
    left =
      [6, 8].map do |days|
        File.utime(*Array.new(2) { Time.now - (days * 86_400) }, *here)
        AskFirst::App::Media::ForgetUploads.call(environment)
        raw(ines, :head, path).status
      end
    expect(left).to eq [204, 404]
  end

  describe "that are many" do
    let(:client) { fresh_client }
    let(:w) { world.workspace(client) }
    let(:bounds) { AskFirst::Core::Media::UploadBounds }

    def begun(who = ines, length: 1_000)
      raw(who, :post, "/api/w/#{w}/uploads", nil, HTTP_UPLOAD_LENGTH: length.to_s)
    end

    it "are bounded for each person, by number and by bytes, and say so; one that is given up makes room" do
      stub_const("#{bounds}::FILES", 3)
      first, = Array.new(3) { begun }
      refused = begun
      expect([refused.status, JSON.parse(refused.body)]).to match [
              409,
              a_hash_including("code" => "too_many_uploads", "detail" => /\AYou have 3 files/)
            ]
      expect(raw(ines, :delete, URI(first["location"]).path).status).to eq 204
      expect(begun.status).to eq 201
      stub_const("#{bounds}::FILES", 50)
      stub_const("#{bounds}::BYTES", 5_000)
      expect([begun(length: 2_001).status, begun(length: 2_000).status]).to eq [409, 201]
    end

    it "are bounded for the client, whoever sends them" do
      stub_const("#{bounds}::FILES_OF_CLIENT", 2)
      bram = ApiWorld.client(:bram)
      2.times { begun(bram) }
      expect(JSON.parse(begun.body)["detail"]).to match(/\AThis client has 2 files/)
    end

    it "and begun at once do not both find the last room" do
      stub_const("#{bounds}::FILES", 2)
      begun
      replies =
        Array.new(4) do
          Thread.new { raw(ApiWorld.client(:ines), :post, "/api/w/#{w}/uploads", nil, HTTP_UPLOAD_LENGTH: "9").status }
        end
      expect(replies.map(&:value).sort).to eq [201, 409, 409, 409]
    end
  end

  it "are called without folders and signs that nobody sees, and are handed out as RFC 6266 says" do
    path = begin_upload(name: "../..\\shots/\u202Egpj.für \u{1F468}\u200D\u{1F469}.jpg")
    piece(path, bytes, 0)
    kept = keep(path).last
    expect(db[:media].where(id: kept["id"]).get(:name)).to eq "gpj.für \u{1F468}\u200D\u{1F469}.jpg"
    ines.get("/api/w/#{w}/media/#{kept["id"]}/original")
    expect(ines.last_response["content-disposition"]).to match(
      /\Aattachment; filename="gpj\.f-r [ -~]+\.jpg"; filename\*=UTF-8''gpj\.f%C3%BCr%20/
    )
  end
end
