# frozen_string_literal: true

require "sinatra/base"
require "cgi"
require "digest"
require "time"

module StandIns
  # A handful of invented client sites, each found by the host that it is asked for, with Open Graph data. A page that
  # moved, one that is gone and one that takes its time are there too.
  class SitePages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    SITES = {
      "quillmere.example" => {
        "/" => ["Quillmere Ferries", "Boats over the estuary, every day of the year."],
        "/lamp" => ["The harbour lamp", "Green, amber or red, every ten minutes."],
        "/winter" => ["Winter timetable", "From the first of November the last boat goes at 21:40."],
        "/pass" => ["Season pass", "All boats, all piers, from October to March."]
      },
      "brackwater.example" => {
        "/" => ["Brackwater Observatory", "A dome on the hill, open on clear nights."],
        "/tickets" => ["Tickets for the dome", "Eleven seats a night; bring a coat."]
      },
      "oddling.example" => {
        "/" => ["Oddling Bakehouse", "Rye, oats and what the morning brings."],
        "/breakfast" => ["Breakfast", "From half past six, until it is gone."]
      }
    }.freeze
    # What is new there, the newest first: in RSS 2.0.
    NEWS = {
      "quillmere.example" => [
        ["Pier two has its lamp back", "Repaired over night; the early boat lands there again.", "13 Oct 2026 06:40"],
        ["The winter timetable is set", "Forty sailings a day, the last one at 21:40.", "12 Oct 2026 09:00"],
        ["Bicycles ride free in November", "Up to six on each boat, at the stern.", "9 Oct 2026 08:15"],
        ["Fog on Monday morning", "The 7:20 left at 8:05. Nobody missed the bus.", "5 Oct 2026 10:30"],
        ["Lise has her captain's licence", "Ten years on deck, and now on the bridge.", "2 Oct 2026 12:00"],
        ["A new rail at pier four", "It does not freeze.", "28 Sep 2026 07:50"]
      ],
      "brackwater.example" => [
        ["Clear night on Friday", "The dome opens at nine.", "12 Oct 2026 18:00"],
        ["The old lens is polished", "It took four months.", "1 Oct 2026 15:00"]
      ]
    }.freeze
    COLOURS = {
      "quillmere.example" => "#1D5C74",
      "brackwater.example" => "#1B1F3A",
      "oddling.example" => "#8A5A2B"
    }.freeze

    helpers do
      def site = SITES[request.host]
      def h(text) = CGI.escapeHTML(text.to_s)
    end

    get "/moved" do
      pass unless site
      redirect "http://#{request.host}/", 301
    end

    get "/robots.txt" do
      pass unless site
      content_type "text/plain"
      "User-agent: *\nDisallow: /slow\n"
    end

    get "/news.xml" do
      news = NEWS[request.host] or pass
      content_type "application/rss+xml"
      etag Digest::SHA256.hexdigest(news.join)
      items =
        news.map do |title, words, at|
          address = "http://#{request.host}/news/#{title.downcase.gsub(/[^a-z0-9]+/, "-")}"
          "<item><title>#{h title}</title><link>#{address}</link><guid>#{address}</guid><description>#{h words}" \
            "</description><pubDate>#{Time.parse("#{at} UTC").httpdate}</pubDate><enclosure url=\"http://" \
            "#{request.host}/picture.png\" length=\"4000\" type=\"image/png\"/></item>"
        end
      "<?xml version=\"1.0\"?><rss version=\"2.0\"><channel><title>#{h site["/"].first}</title><link>http://" \
        "#{request.host}/</link><description>News</description>#{items.join}</channel></rss>"
    end

    get "/slow" do
      pass unless site
      sleep 20
      "late"
    end

    get "/picture.png" do
      pass unless site
      content_type "image/png"
      Picture.plain(COLOURS.fetch(request.host))
    end

    get "/*" do
      pass unless site
      title, words = site[request.path_info]
      halt 404, "<!doctype html><title>Not here</title><p>There is no such page." if title.nil?
      content_type "text/html"
      "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>#{h title}</title><meta property=\"og:title\" " \
        "content=\"#{h title}\"><link rel=\"alternate\" type=\"application/rss+xml\" href=\"/news.xml\">" \
        "<meta property=\"og:description\" content=\"#{h words}\"><meta property=\"og:image\" " \
        "content=\"/picture.png\"><h1>#{h title}</h1><p>#{h words}</p></html>"
    end

    # A plain picture as PNG, made by hand: 1200 x 630 of one colour. Source: PNG, W3C Recommendation, chunks IHDR,
    # IDAT, IEND.
    module Picture
      WIDTH = 1200
      HEIGHT = 630

      module_function

      def plain(hex)
        colour = [hex.delete_prefix("#")].pack("H*")
        rows = ("\0".b + (colour * WIDTH)) * HEIGHT
        "\x89PNG\r\n\x1A\n".b + chunk("IHDR", [WIDTH, HEIGHT, 8, 2, 0, 0, 0].pack("NNCCCCC")) +
          chunk("IDAT", Zlib.deflate(rows)) + chunk("IEND", "")
      end

      def chunk(name, data)
        [data.bytesize].pack("N") + name + data + [Zlib.crc32(name + data)].pack("N")
      end
    end
  end
end
