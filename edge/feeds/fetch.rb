# frozen_string_literal: true

require "nokogiri"
require "webrobots"

module AskFirst
  module Edge
    module Feeds
      # Fetches a feed: guarded as every page of others, politely. A site that does not want robots there is left alone
      # (RFC 9309); what has not changed since is not sent again (RFC 9110: ETag, Last-Modified). The address of a page
      # leads to the feed that the page names.
      class Fetch
        AGENT = "AskFirst"
        HEADERS = {
          "User-Agent" => "AskFirst feed reader",
          "Accept" =>
            "application/feed+json, application/atom+xml, application/rss+xml, application/xml;q=0.8, */*;q=0.5"
        }.freeze
        LIMIT = 4 * 1024 * 1024
        SECONDS = 10
        ROBOTS = 5
        ROBOTS_LIMIT = 512 * 1024 # RFC 9309, 2.5
        ALTERNATE = "link[rel~=alternate][href]"
        TYPES = %w[application/rss+xml application/atom+xml application/feed+json application/json].freeze

        # items: nil where nothing changed · address: the feed's own · wait: seconds that the site asks for, or nil
        Reply = Struct.new(:title, :items, :address, :etag, :last_modified, :wait, keyword_init: true)

        # @param pages [Pages::Reader]
        def initialize(pages)
          @pages = pages
        end

        # @param known [Hash] etag:, last_modified: of the reading before
        # @param robots [Boolean] whether the site's wishes are read first
        # @return [Reply]
        # @raise [Core::Checks::Unreadable] state private, silent, broken, refused or gone
        def call(address, now:, known: {}, robots: true)
          require_welcome!(address) if robots
          page = get(address, known)
          return reply(page, nil) if page.status == 304

          read = Parser.of(page.body, page.address, now)
          return reply(page, read) if read

          named = named_feed(page) or raise unreadable("broken", "it is neither a feed nor a page that names one")
          named == address ? raise(unreadable("broken", "it names itself as its feed")) : follow(named, now)
        end

        private

        def follow(address, now)
          page = get(address, {})
          read = Parser.of(page.body, page.address, now) or raise unreadable("broken", "the feed that it names is none")
          reply(page, read)
        end

        def get(address, known)
          seen = { "If-None-Match" => known[:etag], "If-Modified-Since" => known[:last_modified] }.compact
          page = @pages.get(address, limit: LIMIT, seconds: SECONDS, headers: HEADERS.merge(seen))
          raise unreadable("gone", "it is gone for good") if page.status == 410
          raise unreadable("silent", "it answers with #{page.status}", page) if [429, 503].include?(page.status)
          raise unreadable("broken", "it answers with #{page.status}") unless [200, 304].include?(page.status)
          raise unreadable("broken", "it is longer than #{LIMIT / 1024 / 1024} MB") if page.cut

          page
        end

        def reply(page, read)
          Reply.new(
            title: read&.title,
            items: read&.items,
            address: page.address,
            etag: page.headers["etag"]&.slice(0, 1_000),
            last_modified: page.headers["last-modified"]&.slice(0, 200),
            wait: page.headers["cache-control"].to_s[/max-age=(\d{1,9})/, 1]&.to_i
          )
        end

        def named_feed(page)
          return unless page.type.include?("html")

          link = Nokogiri.HTML(page.body).css(ALTERNATE).find { |one| TYPES.include?(one["type"].to_s.downcase) }
          link && URI.join(page.address, link["href"]).to_s
        rescue URI::Error
          nil
        end

        # Where the wishes cannot be asked for, the site is not read now (RFC 9309, 2.3.1.4).
        def require_welcome!(address)
          away = nil
          asked =
            WebRobots.new(
              AGENT,
              http_get: ->(uri) do
                page = @pages.get(uri.to_s, limit: ROBOTS_LIMIT, seconds: ROBOTS, headers: HEADERS)
                away = "its robots.txt answers with #{page.status}" if page.status >= 500
                page.status == 200 ? page.body.force_encoding(Encoding::UTF_8).scrub("") : ""
              rescue Core::Checks::Unreadable => e
                raise if e.state == "private"

                away = "its robots.txt does not answer"
                ""
              end
            )
          welcome = asked.allowed?(address)
          raise unreadable("silent", away) if away
          raise unreadable("refused", "the site does not want it to be read by robots") unless welcome
        end

        def unreadable(state, note, page = nil)
          asked = page && page.headers["retry-after"].to_s[/\A\d{1,6}\z/]
          Core::Checks::Unreadable.new(state, note, wait: asked&.to_i)
        end
      end
    end
  end
end
