# frozen_string_literal: true

require "feedjira"
require "loofah"

module AskFirst
  module Edge
    module Feeds
      # The items of a feed: RSS 2.0, Atom (RFC 4287) or JSON Feed 1.1. What a title holds of markup or scripts is taken
      # out of it; a date of no calendar is no date.
      module Parser
        MOST = 200
        TITLE = 300
        WORDS = 2_000
        ADDRESS = 4_000
        SAID = 64 * 1024 # characters of an item that are looked at: its first words are shown, and its first picture
        AHEAD = 366 * 86_400 # seconds; what is dated later has a date that means nothing
        PARSERS = {
          "rss" => ->(xml) { Feedjira::Parser::RSS.parse(xml) },
          "atom" => ->(xml) { Feedjira::Parser::Atom.parse(xml) },
          "json" => ->(said) { Feedjira::Parser::JSONFeed.new(said) }
        }.freeze

        # title: of the feed · items: Core::Feeds::FeedItem, the newest first
        Read =
          Struct.new(:title, :items, keyword_init: true) do
            # @return [Hash] that JSON can say
            def plain =
              { title: title, items: items.map { |item| item.to_h.except(:media_id).merge(at: item.at&.to_i) } }
          end

        module_function

        # @param body [String]
        # @param base [String] address that it was read from
        # @param now [Time]
        # @return [Read, nil] nil where it is no feed
        def of(body, base, now)
          kind, source = Source.of(body, MOST)
          return unless kind

          feed = PARSERS.fetch(kind).call(source)
          items = feed.entries.to_a.first(MOST).filter_map { |entry| item(entry, base, now) }
          Read.new(
            title: plain(feed.title, 120),
            items: items.sort_by.with_index { |one, at| [-(one.at || now).to_i, at] }
          )
        rescue JSON::ParserError, Nokogiri::SyntaxError, EncodingError, NoMethodError, TypeError, KeyError
          nil # it begins like one and is none
        end

        def item(entry, base, now)
          address = absolute(entry.url, base)
          words = plain(entry.summary.to_s.empty? ? content(entry) : entry.summary, WORDS)
          title = plain(entry.title, TITLE)
          return if title.empty? && words.empty?

          Core::Feeds::FeedItem.new(
            id: (entry.respond_to?(:entry_id) ? entry.entry_id : entry.id).to_s[0, 1_000],
            address: address,
            title: title,
            words: words,
            picture: absolute(picture(entry), base),
            at: moment(entry, now)
          )
        end

        def content(entry) = entry.respond_to?(:content) ? entry.content.to_s : ""

        # Its own, else the first in what it says.
        def picture(entry)
          own = entry.image if entry.respond_to?(:image)
          return own unless own.to_s.empty?

          Loofah.fragment("#{entry.summary} #{content(entry)}"[0, SAID]).at_css("img[src]")&.[]("src")
        end

        def moment(entry, now)
          at = entry.published || (entry.respond_to?(:updated) && entry.updated) || nil
          at.is_a?(Time) && at.year > 1990 && at < now + AHEAD ? at.utc : nil
        rescue ArgumentError
          nil
        end

        def plain(html, limit)
          text = Loofah.fragment(html.to_s[0, SAID].scrub("")).scrub!(:prune).to_text(encode_special_chars: false)
          text.gsub(/[\u0000-\u0008\u000B-\u001F\u007F-\u009F]/, "").gsub(/[[:space:]]+/, " ").strip[0, limit]
        end

        # Only what stands in the web.
        def absolute(address, base)
          return if address.to_s.strip.empty?

          uri = URI.join(base, address.to_s.strip)
          uri.is_a?(URI::HTTP) && uri.to_s.length <= ADDRESS ? uri.to_s : nil
        rescue URI::Error
          nil
        end
        private_class_method :item, :content, :picture, :moment, :plain, :absolute
      end
    end
  end
end
