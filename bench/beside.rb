# frozen_string_literal: true

require "tmpdir"
require "vips"
require_relative "../spec/support/slow_server"

module Bench
  # Work for the workers while something is being sent: films that are cut, large pictures that are made ready, feeds
  # and mails that come in, mails that go out, and an act over 300 posts. Enough to keep a worker busy all the while.
  class Beside
    FILMS = 3 # as many as may be made of one at once
    RENDITIONS = 25
    FEEDS = 6
    MAILS = 40
    BATCH = 300

    # Where the feeds lie, as the setting that lets them be read names it.
    # @return [String]
    def self.hosts
      @site ||= SlowServer.new { |line, _| line.write(reply) }
      "http://boats.example=#{@site.address}"
    end

    # Two megabytes of 2,000 items.
    def self.reply
      @reply ||=
        begin
          item = ->(n) do
            "<item><guid>#{n}</guid><title>Fog #{n}</title><description>#{"fog " * 220}</description></item>"
          end
          items = (1..2_000).map(&item).join
          body = "<rss version=\"2.0\"><channel><title>Boats</title>#{items}</channel></rss>"
          "HTTP/1.1 200 OK\r\nContent-Type: application/rss+xml\r\nContent-Length: #{body.bytesize}\r\n\r\n#{body}"
        end
    end

    # @param world [SpecWorld]
    def initialize(world)
      @world = world
    end

    # Prepared once: what the work is about.
    def prepare
      @film = upload(film, "pier.mp4")
      @zoom = 100
      @posts = Array.new(RENDITIONS) { |n| with_picture(n) }.to_h
      pattern = @world.draft(channels: [:ticker], picture: false, wall: "2027-03-02T12:00")
      crowd = Crowd.new(@world.owner)
      crowd.multiply(pattern, BATCH)
      @batch = crowd.ids(pattern, BATCH)
      @feeds = Array.new(FEEDS) { |n| feed(n) }
      @world.owner[:que_jobs].delete
    end

    # Puts all of it into the queue, as the acts do.
    # @param days [Integer] by which the 300 posts are moved: there and back again
    def begin(days)
      @zoom += 2
      now = @world.environment.now
      queue = @world.environment.queue
      @world.owner[:film_edits].where(ended_at: nil).update(ended_at: now, wrong: "left over")
      FILMS.times do |n|
        @world.act("Media::EditFilm", :ines, media_id: @film, edit: { "start" => n * 100, "end" => 12_000 }, copy: true)
      end
      @posts.each { |post, picture| nearer(post, picture) }
      @posts.each_key { |post| queue.render_ahead(@world.workspace, post, at: now) }
      @world.owner[:feeds].where(id: @feeds).update(etag: nil, started: false)
      @feeds.each { |id| queue.read_feed(@world.workspace, id, at: now) }
      MAILS.times { |n| incoming(n) }
      addresses = Array.new(MAILS) { "x#{SecureRandom.hex(4)}@elsewhere.example" }
      role = @world.db[:roles].where(name: "assistant").get(:id)
      addresses.each_slice(20) { |some| @world.act("People::Invite", :ines, addresses: some.join("\n"), role_id: role) }
      @world.act("Plan::BeginBatch", :ines, kind: "move", post_ids: @batch, value: days)
    end

    # @return [Integer] how much is left of it
    def left = @world.owner[:que_jobs].where(queue: "default", finished_at: nil).count

    private

    # A picture that is framed anew has to be cut anew; by SQL, since framing is not what is measured.
    def nearer(post, picture)
      framing = AskFirst::Store::Database.jsonb(picture => { "zoom" => @zoom })
      @world.owner[:parts].where(post_id: post, part: "framing").update(value: framing)
    end

    def upload(bytes, name) = @world.act("Media::UploadMedia", :ines, io: StringIO.new(bytes), name: name)[:id]

    # 24 megapixels with something on them, as a camera makes them.
    def with_picture(number)
      @ground ||= Vips::Image.gaussnoise(750, 500, seed: 7).cast(:uchar).resize(8)
      bytes = @ground.linear(1, number).cast(:uchar).bandjoin([@ground, @ground]).jpegsave_buffer(Q: 80)
      post = @world.draft(channels: [:vitrine], picture: false, wall: nil, text: "Picture #{number} of the pier.")
      picture = upload(bytes, "pier-#{number}.jpg")
      @world.write(post, "media", [picture], who: :ines)
      @world.write(post, "framing", { picture => { "zoom" => @zoom + 1 } }, who: :ines)
      [post, picture]
    end

    def film
      Dir.mktmpdir do |folder|
        path = File.join(folder, "film.mp4")
        source = "testsrc2=size=1280x720:rate=25:duration=14"
        system(*%W[ffmpeg -v error -f lavfi -i #{source} -pix_fmt yuv420p -preset ultrafast #{path}], exception: true)
        File.binread(path)
      end
    end

    def feed(number)
      said = { "address" => "http://boats.example/#{number}", "name" => "Feed #{number}", "makes" => "idea" }
      @world.act("Feeds::SaveFeed", :ines, fields: said)[:id]
    end

    # With some kilobytes attached, for nobody. The stand-in that keeps them is the network's process, too: large ones
    # would measure that.
    def incoming(number)
      to = "replies+#{SecureRandom.hex(20)}@fernhollow.example"
      mail = Mail.new(from: "o@q.example", to: to, subject: "Mail #{number}", body: "Fog")
      mail.add_file(filename: "log.txt", content: "half visibility " * 2_000)
      Net::SMTP.start("127.0.0.1", @world.settings.smtp_port) { |smtp| smtp.send_message(mail.to_s, "o@q.example", to) }
    end
  end
end
