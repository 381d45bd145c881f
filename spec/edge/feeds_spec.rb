# frozen_string_literal: true

require_relative "../support/slow_server"
require "zlib"

# Fetching feeds: guarded, politely, and never for longer than it may.
RSpec.describe AskFirst::Edge::Feeds::Fetch do
  let(:rss) { "<rss version=\"2.0\"><channel><title>Boats</title><item><title>Fog</title></item></channel></rss>" }

  # @param pages [Hash{String=>Array}] path => [status, headers, body]
  def site(pages)
    @heads = []
    server =
      SlowServer.new do |line, request|
        @heads << request
        status, headers, body = pages.fetch(request[/\AGET (\S+)/, 1], [404, {}, ""])
        said = headers.map { |name, value| "#{name}: #{value}\r\n" }.join
        line.write(
          "HTTP/1.1 #{status} Said\r\n#{said}Content-Length: #{body.bytesize}\r\nConnection: close\r\n\r\n#{body}"
        )
      end
    @servers = [*@servers, server]
    described_class.new(
      AskFirst::Edge::Pages::Reader.new({ "http://boats.example" => server.address }),
      Infrastructure.sandbox
    )
  end

  after { @servers&.each(&:close) }

  def fetch(pages, path = "/feed", **how)
    site(pages).call("http://boats.example#{path}", now: Time.utc(2026, 10, 14), **how)
  end

  def why
    yield
    nil
  rescue AskFirst::Core::Checks::Unreadable => e
    [e.state, e.note, e.wait].compact
  end

  it "reads a feed, says who asks, and keeps by what it is known again" do
    found =
      fetch(
        { "/feed" => [200, { "ETag" => '"x"', "Cache-Control" => "max-age=7200", "Content-Type" => "text/xml" }, rss] }
      )
    expect(found.to_h).to include(title: "Boats", etag: '"x"', wait: 7_200)
    expect(found.items.map(&:title)).to eq ["Fog"]
    expect(@heads).to all(match(/^User-Agent: AskFirst feed reader\r$/i))
  end

  it "asks whether it changed, and has it sent only if it did" do
    found = fetch({ "/feed" => [304, {}, ""] }, known: { etag: '"x"', last_modified: "Sun, 19 May 2002 15:21:36 GMT" })
    expect(found.items).to be_nil
    expect(@heads.last).to match(/^If-None-Match: "x"\r$/i).and match(/^If-Modified-Since: Sun, 19 May 2002/i)
  end

  it "keeps off where the site does not want robots, and where it cannot be asked" do
    robots = ->(text, status = 200) { { "/robots.txt" => [status, {}, text], "/feed" => [200, {}, rss] } }
    expect(why { fetch(robots.call("User-agent: *\nDisallow: /feed")) }).to eq [
         "refused",
         "the site does not want it to be read by robots"
       ]
    expect(why { fetch(robots.call("", 503)) }).to eq ["silent", "its robots.txt answers with 503"]
    expect(fetch(robots.call("User-agent: *\nDisallow: /else")).items.size).to eq 1
    expect(fetch(robots.call("User-agent: AskFirst\nAllow: /\n\nUser-agent: *\nDisallow: /")).items.size).to eq 1
    expect(fetch(robots.call("User-agent: *\nDisallow: /"), robots: false).items.size).to eq 1
  end

  it "finds the feed that a page names" do
    page = '<html><head><link rel="alternate" type="application/rss+xml" href="/feed"></head></html>'
    found = fetch({ "/" => [200, { "Content-Type" => "text/html" }, page], "/feed" => [200, {}, rss] }, "/")
    expect([found.address, found.items.size]).to eq ["http://boats.example/feed", 1]
    expect(why { fetch({ "/" => [200, { "Content-Type" => "text/html" }, "<html></html>"] }, "/") }).to eq [
         "broken",
         "it is neither a feed nor a page that names one"
       ]
  end

  it "says what is wrong: gone, busy with how long, away, redirected into a private network" do
    expect(why { fetch({ "/feed" => [410, {}, ""] }) }).to eq ["gone", "it is gone for good"]
    expect(why { fetch({ "/feed" => [429, { "Retry-After" => "900" }, ""] }) }).to eq [
         "silent",
         "it answers with 429",
         900
       ]
    expect(why { fetch({ "/feed" => [500, {}, ""] }) }).to eq ["broken", "it answers with 500"]
    expect(why { fetch({ "/feed" => [302, { "Location" => "http://127.0.0.1:1/feed" }, ""] }) }).to eq ["private", ""]
  end

  it "stops at its limit, whether the feed is long, endless or packed to burst" do
    stub_const("#{described_class}::LIMIT", 10_000)
    long = [200, {}, "<rss version=\"2.0\"><channel><title>#{"x" * 20_000}"]
    packed = StringIO.new("".b).tap { |io| Zlib::GzipWriter.wrap(io) { |gz| gz.write("x" * 5_000_000) } }.string
    limit = ["broken", "it is longer than 0 MB"]
    expect(why { fetch({ "/feed" => long }) }).to eq limit
    expect(why { fetch({ "/feed" => [200, { "Content-Encoding" => "gzip" }, packed] }) }).to eq limit
  end

  it "does not wait for what is slow beyond its time" do
    stub_const("#{described_class}::SECONDS", 0.5)
    server =
      SlowServer.new { |line, _| line.write("HTTP/1.1 200 OK\r\n\r\n") && 40.times { sleep(0.1) && line.write("x") } }
    @servers = [server]
    pages = AskFirst::Edge::Pages::Reader.new({ "http://boats.example" => server.address })
    expect(
      why do
        described_class.new(pages, Infrastructure.sandbox).call(
          "http://boats.example/feed",
          now: Time.now,
          robots: false
        )
      end.first
    ).to eq "silent"
  end
end
