# frozen_string_literal: true

require "feedjira"

# Feeds as their standards write them. The Atom example is that of RFC 4287, section 1.1, the JSON Feed example that of
# JSON Feed 1.1, both from memory; RSS 2.0 has its dates and guids as its specification shows them, from memory. The
# library that reads them did not write them.
RSpec.describe "Feeds of the standards" do
  now = Time.utc(2026, 10, 14, 9, 0)
  read = ->(body, base = "http://example.org/feed") { AskFirst::Edge::Feeds::Parser.of(body, base, now) }
  told = ->(body) { read.call(body).items.map { |item| item.to_h.compact } }

  it "Atom, RFC 4287" do
    expect(told.call(<<~XML)).to eq [
      <?xml version="1.0" encoding="utf-8"?>
      <feed xmlns="http://www.w3.org/2005/Atom">
        <title>Example Feed</title>
        <link href="http://example.org/"/>
        <updated>2003-12-13T18:30:02Z</updated>
        <author><name>John Doe</name></author>
        <id>urn:uuid:60a76c80-d399-11d9-b93C-0003939e0af6</id>
        <entry>
          <title>Atom-Powered Robots Run Amok</title>
          <link href="http://example.org/2003/12/13/atom03"/>
          <id>urn:uuid:1225c695-cfb8-4ebb-aaaa-80da344efa6a</id>
          <updated>2003-12-13T18:30:02Z</updated>
          <summary>Some text.</summary>
        </entry>
      </feed>
    XML
         {
           id: "urn:uuid:1225c695-cfb8-4ebb-aaaa-80da344efa6a",
           address: "http://example.org/2003/12/13/atom03",
           title: "Atom-Powered Robots Run Amok",
           words: "Some text.",
           at: Time.utc(2003, 12, 13, 18, 30, 2)
         }
       ]
  end

  it "JSON Feed 1.1" do
    expect(told.call(<<~JSON)).to eq [
      {
        "version": "https://jsonfeed.org/version/1.1",
        "title": "My Example Feed",
        "home_page_url": "https://example.org/",
        "feed_url": "https://example.org/feed.json",
        "items": [
          { "id": "2", "content_text": "This is a second item.", "url": "https://example.org/second-item" },
          { "id": "1", "content_html": "<p>Hello, world!</p>", "url": "https://example.org/initial-post" }
        ]
      }
    JSON
         { id: "2", address: "https://example.org/second-item", title: "", words: "This is a second item." },
         { id: "1", address: "https://example.org/initial-post", title: "", words: "Hello, world!" }
       ]
  end

  it "RSS 2.0, with its dates of RFC 822, an enclosure and a guid that is no address" do
    found = read.call(<<~XML)
      <?xml version="1.0"?>
      <rss version="2.0"><channel>
        <title>Quillmere</title><link>http://quillmere.example/</link><description>News of the boats</description>
        <item>
          <title>Winter &lt;b&gt;timetable&lt;/b&gt; &amp; lamps</title>
          <link>/winter</link>
          <description>&lt;p&gt;From &lt;em&gt;November&lt;/em&gt;.&lt;/p&gt;&lt;script&gt;steal()&lt;/script&gt;</description>
          <pubDate>Sun, 19 May 2002 15:21:36 GMT</pubDate>
          <guid isPermaLink="false">boat-17</guid>
          <enclosure url="http://quillmere.example/lamp.jpg" length="12216320" type="image/jpeg"/>
        </item>
        <item><title>Older</title><guid>http://quillmere.example/older</guid><pubDate>Sat, 18 May 2002 09:00:00 +0100</pubDate></item>
      </channel></rss>
    XML
    expect(found.title).to eq "Quillmere"
    expect(found.items.first.to_h.compact).to eq(
      id: "boat-17",
      address: "http://example.org/winter",
      title: "Winter timetable & lamps",
      words: "From November.",
      picture: "http://quillmere.example/lamp.jpg",
      at: Time.utc(2002, 5, 19, 15, 21, 36)
    )
    expect(found.items.last.at).to eq Time.utc(2002, 5, 18, 8, 0)
  end

  describe "What no standard knows" do
    def rss(inside) = "<rss version=\"2.0\"><channel><title>x</title>#{inside}</channel></rss>"

    it "a date of no calendar, one of long ago and one of long after today are none" do
      [
        "Mon, 31 Feb 2026 10:00:00 GMT",
        "yesterday",
        "Thu, 01 Jan 1970 00:00:00 GMT",
        "Fri, 01 Jan 2100 00:00:00 GMT"
      ].each do |date|
        items = read.call(rss("<item><title>Fog</title><pubDate>#{date}</pubDate></item>")).items
        expect([date, items.size, items.first.at]).to eq [date, 1, nil]
      end
    end

    it "an address that leads nowhere in the web is none; an item that says nothing is none" do
      items =
        read.call(rss("<item><title>Fog</title><link>javascript:alert(1)</link></item><item><link>/x</link></item>"))
      expect(items.items.map { |item| [item.title, item.address] }).to eq [["Fog", nil]]
    end

    it "a page, half a feed, nothing and entities that grow are no feed, or are read as far as they go" do
      [
        "",
        "<html><body>No feed</body></html>",
        "{}",
        "[1]",
        "{\"version\":\"https://jsonfeed.org/version/1.1\"",
        "\xFF\xFE"
      ].each { |body| expect([body, read.call(body.dup)&.items.to_a]).to eq [body, []] }
      bomb =
        "<!DOCTYPE x [<!ENTITY a \"#{"fog" * 100}\">#{
          ("b".."h").map { |n| "<!ENTITY #{n} \"#{"&#{(n.ord - 1).chr};" * 20}\">" }.join
        }]>"
      found =
        read.call(
          "<?xml version=\"1.0\"?>#{bomb}#{rss("<item><title>&h;</title><description>Fog</description></item>")}"
        )
      expect(found.to_h.fetch(:items, []).sum { |item| item.title.length }).to be < 1_000
    end
  end
end
