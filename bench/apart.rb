# frozen_string_literal: true

require "mail"
require "vips"
require_relative "figures"

module Bench
  # What a reading costs in the sandbox, in a process of its own, against the same reader called here.
  class Apart
    RUNS = 25

    def call
      puts "\nReading what came from outside: in the sandbox, against the same reader in our own process"
      sandbox = AskFirst::Edge::Sandbox.new
      things.each { |what, name, input, bytes, path| one(sandbox, what, name, input, bytes, path) }
    ensure
      sandbox&.stop
    end

    private

    def one(sandbox, what, name, input, bytes, path)
      reader = AskFirst::Edge::Sandbox::Readers.fetch(name)
      file = path && File.open(path, "rb")
      apart = -> { sandbox.call(name, input, bytes: bytes, files: [file].compact) }
      here = -> { reader.call.call(input.transform_keys(&:to_s), bytes.map(&:dup), [path].compact) }
      [apart, here].each(&:call) # once before, so that nothing has to be loaded
      Figures.line(what, Figures.median_ms(RUNS, &apart), Figures.median_ms(RUNS, &here), "ms")
    ensure
      file&.close
    end

    def things
      feed =
        (1..100).map do |n|
          "<item><guid>#{n}</guid><title>Fog #{n}</title><description>#{"fog " * 60}</description></item>"
        end
      mail = Mail.new(from: "o@q.example", to: "r@f.example", subject: "Sunday", body: "Not on Sundays.")
      mail.add_file(filename: "log.txt", content: "half visibility " * 20_000)
      page =
        "<html><head><title>Fog</title><meta property=\"og:title\" content=\"Fog days\"></head>" \
          "#{"<p>fog</p>" * 2_000}</html>"
      where = { address: "http://boats.example/", now: 1_790_000_000 }
      [
        ["a feed of 100 items", :feed, where, ["<rss><channel>#{feed.join}</channel></rss>"]],
        ["a page of 20 kB: what it says of itself", :page, where, [page]],
        ["a mail with 300 kB attached", :mail, { cut: false, checker: "" }, [mail.to_s]],
        ["a picture of 1 megapixel: what it is", :inspect, {}, [], picture(1_250, 800)],
        ["the same for the screen", :small, { side: 400 }, [], picture(1_250, 800)],
        ["a picture of 24 megapixels: what it is", :inspect, {}, [], picture(6_000, 4_000)]
      ]
    end

    def picture(width, height)
      path = File.join(Dir.tmpdir, "ask-first-bench-#{width}.jpg")
      unless File.exist?(path)
        Vips::Image.gaussnoise(width / 4, height / 4, seed: 7).cast(:uchar).resize(4).jpegsave(path)
      end
      path
    end
  end
end
