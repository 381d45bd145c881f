# frozen_string_literal: true

require "aws-sdk-s3"
require_relative "../support/infrastructure"

# The stand-in store, asked by a client that did not write it; and our shelf on top of it.
RSpec.describe "A store of files that speaks the S3 protocol", :database do
  let(:address) { "#{Infrastructure.stand_ins[:url]}/store" }
  let(:home) { File.join(Infrastructure.folder, "stand_ins") }
  let(:prefix) { SecureRandom.hex(6) }

  def client(secret: "stand-in-secret")
    Aws::S3::Client.new(
      endpoint: address,
      region: "local",
      access_key_id: "stand-in",
      secret_access_key: secret,
      force_path_style: true,
      retry_limit: 0
    )
  end

  def far(at: address) = AskFirst::Edge::Files::S3Store.new(at, "files", "stand-in", "stand-in-secret", "local")

  def shelf(folder = Dir.mktmpdir("shelf", Infrastructure.folder), store: far)
    [AskFirst::Edge::Files::FileStore.new(folder, store), folder]
  end

  describe "the stand-in" do
    it "keeps, hands out, lists and drops what the client gives it, names of every script too" do
      names = ["#{prefix}/a boat.jpg", "#{prefix}/Fähre + Ü.jpg", "#{prefix}/deep/er"]
      names.each { |name| client.put_object(bucket: "files", key: name, body: "bytes of #{name}") }
      expect(client.get_object(bucket: "files", key: names[1]).body.read.force_encoding("UTF-8")).to eq(
        "bytes of #{names[1]}"
      )
      expect(client.head_object(bucket: "files", key: names[0]).content_length).to eq "bytes of #{names[0]}".bytesize
      expect(client.get_object(bucket: "files", key: names[0], range: "bytes=0-4").body.read).to eq "bytes"
      listed =
        client
          .list_objects_v2(bucket: "files", prefix: "#{prefix}/", max_keys: 2)
          .flat_map { |page| page.contents.map(&:key) }
      expect(listed).to match_array names
      client.delete_objects(bucket: "files", delete: { objects: names.first(2).map { |key| { key: key } } })
      client.delete_object(bucket: "files", key: names[2])
      expect(client.list_objects_v2(bucket: "files", prefix: prefix).contents).to eq []
      expect { client.get_object(bucket: "files", key: names[0]) }.to raise_error Aws::S3::Errors::NoSuchKey
    end

    it "puts a file of parts together in their order, whichever came first" do
      key = "#{prefix}/film"
      upload = client.create_multipart_upload(bucket: "files", key: key).upload_id
      parts =
        { 2 => "and the end", 1 => "the beginning " }.map do |number, body|
          tag = client.upload_part(bucket: "files", key: key, upload_id: upload, part_number: number, body: body).etag
          { part_number: number, etag: tag }
        end
      client.complete_multipart_upload(
        bucket: "files",
        key: key,
        upload_id: upload,
        multipart_upload: {
          parts: parts.sort_by { |part| part[:part_number] }
        }
      )
      expect(client.get_object(bucket: "files", key: key).body.read).to eq "the beginning and the end"
    end

    it "takes nothing from somebody with another secret" do
      expect { client(secret: "another").put_object(bucket: "files", key: prefix, body: "x") }.to raise_error(
        Aws::S3::Errors::SignatureDoesNotMatch
      )
    end
  end

  describe "the shelf" do
    it "hands on only what is byte for byte what was put there, and fetches anew what only its own copy lost" do
      here, folder = shelf
      here.put("#{prefix}/boat", StringIO.new("a boat"))
      same = { digest: Digest::SHA256.hexdigest("a boat"), bytes: 6 }
      File.write(File.join(folder, prefix, "boat"), "a goat")
      expect(here.open_same("#{prefix}/boat", **same, &:read)).to eq "a boat"
      client.put_object(bucket: "files", key: "#{prefix}/boat", body: "15 bytes of text")
      expect(here.open_same("#{prefix}/boat", **same, &:read)).to eq "a boat" # its own copy is whole
      File.delete(File.join(folder, prefix, "boat"))
      spoiled = AskFirst::Core::Media::Spoiled
      expect { here.open_same("#{prefix}/boat", **same, &:read) }.to raise_error(spoiled, /has 16 bytes where .* has 6/)
      client.delete_object(bucket: "files", key: "#{prefix}/boat")
      File.delete(File.join(folder, prefix, "boat"))
      expect { here.open_same("#{prefix}/boat", **same, &:read) }.to raise_error(Errno::ENOENT)
    end

    it "keeps files there, and here a copy of what is in use" do
      here, folder = shelf
      here.put("#{prefix}/boat", StringIO.new("a boat"))
      other, = shelf
      expect(other.there?("#{prefix}/boat")).to be true
      expect(other.there?("#{prefix}/pier")).to be false
      expect(other.open("#{prefix}/boat", &:read)).to eq "a boat"
      expect(File.read(other.path("#{prefix}/boat"))).to eq "a boat"
      path = File.join(folder, prefix, "boat")
      File.utime(Time.now, Time.now - (31 * 86_400), path)
      here.sweep(Time.now)
      expect(File.exist?(path)).to be false
      expect(here.open("#{prefix}/boat", &:read)).to eq "a boat"
    end

    it "never lets go of the only one: what lay here before there was a store stays" do
      near, folder = shelf(store: nil)
      near.put("#{prefix}/old", StringIO.new("from before"))
      near.put("#{prefix}/half.part", StringIO.new("half"))
      %w[old half.part].each { |name| File.utime(Time.now, Time.now - (31 * 86_400), File.join(folder, prefix, name)) }
      here, = shelf(folder)
      here.sweep(Time.now)
      expect(here.open("#{prefix}/old", &:read)).to eq "from before"
      expect(Dir.children(File.join(folder, prefix))).to eq ["old"]
    end

    it "lets one machine show what another one took in" do
      one, two = Array.new(2) { world.environment.dup.tap { |environment| environment.files = shelf.first } }
      ines = world.member(:ines)
      picture = { io: SpecWorld.picture(77), name: "boat.jpg" }
      id = AskFirst::App::Media::UploadMedia.call(one, ines, **picture)[:id]
      shown = AskFirst::App::Media::OpenFile::Thumb.call(two, ines, media_id: id)[:path]
      expect(Vips::Image.new_from_file(shown).width).to eq 400
      original = AskFirst::App::Media::OpenFile::Original.call(two, ines, media_id: id)[:path]
      expect(File.binread(original)).to eq SpecWorld.picture(77).string
    end

    it "sends a large film in parts, and has it back byte for byte" do
      here, = shelf
      bytes = Random.new(1).bytes((17 * 1024 * 1024) + 3)
      here.put("#{prefix}/film", StringIO.new(bytes))
      other, = shelf
      expect(Digest::SHA256.file(other.path("#{prefix}/film")).hexdigest).to eq Digest::SHA256.hexdigest(bytes)
    end

    it "lets go of one file, and of all of a client, in both places" do
      here, = shelf
      %w[one two two.preview two.thumb].each { |name| here.put("#{prefix}/#{name}", StringIO.new(name)) }
      here.remove("#{prefix}/two")
      expect(%w[one two two.thumb].map { |name| shelf.first.there?("#{prefix}/#{name}") }).to eq [true, false, false]
      here.remove_all("#{prefix}/")
      expect(shelf.first.there?("#{prefix}/one")).to be false
      expect { here.open("#{prefix}/one", &:read) }.to raise_error Errno::ENOENT
    end

    it "says within its deadline that the store is away or silent, and keeps nothing of what could not be kept there" do
      stub_const("AskFirst::Edge::Files::S3Store::SECONDS", 1)
      closed = far(at: "http://127.0.0.1:9/store")
      { "store.away" => far, "store.silent" => far, nil => closed }.each do |sign, store|
        here, folder = shelf(store: store)
        FileUtils.touch(File.join(home, sign)) if sign
        expect { here.put("#{prefix}/boat", StringIO.new("a boat")) }.to raise_error(
          AskFirst::Core::Away,
          /store in which/
        )
        expect { here.path("#{prefix}/pier") }.to raise_error AskFirst::Core::Away
        expect(Dir.glob(File.join(folder, "**/*")).select { |path| File.file?(path) }).to eq []
      ensure
        FileUtils.rm_f(File.join(home, sign)) if sign
      end
    end
  end
end
