# frozen_string_literal: true

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
        # items: nil where nothing changed · address: the feed's own · wait: seconds that the site asks for, or nil
        Reply = Struct.new(:title, :items, :address, :etag, :last_modified, :wait, keyword_init: true)

        # @param pages [Pages::Reader]
        # @param sandbox [Sandbox] in which what came is read
        def initialize(pages, sandbox)
          @pages = pages
          @sandbox = sandbox
        end

        # @param known [Hash] etag:, last_modified: of the reading before
        # @param robots [Boolean] whether the site's wishes are read first
        # @return [Reply]
        # @raise [Core::Checks::Unreadable] state private, silent, broken, refused, gone; harmful: over a limit
        def call(address, now:, known: {}, robots: true)
          require_welcome!(address) if robots
          page = get(address, known)
          return reply(page, nil) if page.status == 304

          read = feed(page, now)
          return reply(page, read) if read

          named = named_feed(page) or raise unreadable("broken", "it is neither a feed nor a page that names one")
          named == address ? raise(unreadable("broken", "it names itself as its feed")) : follow(named, now)
        end

        private

        def follow(address, now)
          page = get(address, {})
          read = feed(page, now) or raise unreadable("broken", "the feed that it names is none")
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

        # @return [Parser::Read, nil]
        def feed(page, now)
          found = read(:feed, { address: page.address, now: now.to_i }, page.body) or return
          Parser::Read.new(title: found[:title], items: found[:items].map { |item| of(item) })
        end

        def of(item) = Core::Feeds::FeedItem.new(**item, at: item[:at] && Time.at(item[:at]).utc)

        def named_feed(page)
          read(:named_feed, { address: page.address }, page.body) if page.type.include?("html")
        end

        # Where the wishes cannot be asked for, the site is not read now (RFC 9309, 2.3.1.4).
        def require_welcome!(address)
          wishes = @pages.get(robots_of(address), limit: ROBOTS_LIMIT, seconds: ROBOTS, headers: HEADERS)
          raise unreadable("silent", "its robots.txt answers with #{wishes.status}") if wishes.status >= 500
          return unless wishes.status == 200
          return if read(:robots, { agent: AGENT, address: address }, wishes.body)

          raise unreadable("refused", "the site does not want it to be read by robots")
        rescue Core::Checks::Unreadable => e
          raise if e.state != "silent" || e.note.include?("robots.txt")

          raise unreadable("silent", "its robots.txt does not answer")
        end

        def robots_of(address)
          URI.join(address, "/robots.txt").to_s
        rescue URI::Error
          raise unreadable("broken", "the address leads somewhere that is no page")
        end

        def read(name, input, body)
          @sandbox.call(name, input, bytes: [body])
        rescue Sandbox::Exceeded
          raise unreadable("harmful", "reading it takes more time or memory than any feed does")
        rescue Sandbox::Failed
          raise unreadable("broken", "it cannot be read")
        end

        def unreadable(state, note, page = nil)
          asked = page && page.headers["retry-after"].to_s[/\A\d{1,6}\z/]
          Core::Checks::Unreadable.new(state, note, wait: asked&.to_i)
        end
      end
    end
  end
end
