# frozen_string_literal: true

module AskFirst
  module Core
    module Feeds
      # What is made of the items of a feed: which of them, and in which words.
      #
      # needs: words of which one must be there (none: all items) · without: words of which none may be there · title,
      # note: patterns, in which {title}, {words}, {date} and {link} are filled in
      module FeedRule
        KEYS = %w[needs without title note].freeze
        PLACES = /\{(title|words|date|link)\}/
        MOST = 20
        WORD = 60
        PATTERN = { "title" => 300, "note" => 2_000 }.freeze
        USUAL = { "needs" => [], "without" => [], "title" => "{title}", "note" => "{words}" }.freeze
        NOTE = 4_000

        module_function

        # @return [Hash] whole
        # @raise [Invalid] bad_rule, too_long
        def clean(given)
          refuse("takes #{KEYS.join(", ")}") unless given.is_a?(Hash) && (given.keys - KEYS).empty?
          rule = USUAL.merge(given)
          %w[needs without].each { |key| rule[key] = words(rule[key], key) }
          PATTERN.each { |key, limit| rule[key] = Posts::Text.clean(rule[key].to_s, field: key, limit: limit).strip }
          rule["title"] = USUAL["title"] if rule["title"].empty?
          rule
        end

        # Whole words, small or large.
        # @param item [FeedItem]
        def passes?(rule, item)
          text = "#{item.title} #{item.words}"
          holds = ->(word) { text.match?(/(?<![[:alnum:]])#{Regexp.escape(word)}(?![[:alnum:]])/i) }
          (rule["needs"].empty? || rule["needs"].any?(&holds)) && rule["without"].none?(&holds)
        end

        # @param zone [String] of the client, for the date
        # @return [Hash] "title", "note", "link"
        def said(rule, item, zone)
          day = item.at ? Plan::WallTime.at(item.at, zone).local_date : ""
          values = {
            "title" => item.title.to_s,
            "words" => item.words.to_s,
            "date" => day,
            "link" => item.address.to_s
          }
          fill = ->(pattern) { pattern.gsub(PLACES) { values.fetch(Regexp.last_match(1)) } }
          title = Posts::Text.line(fill.call(rule["title"]), field: "title")[0, Ideas::Idea::TITLE]
          note = Posts::Text.clean(fill.call(rule["note"]), field: "note").strip[0, NOTE]
          { "title" => title.empty? ? Ideas::Idea.title_of(note) : title, "note" => note, "link" => link(item.address) }
        end

        def link(address)
          Posts::WebAddress.clean(address)
        rescue Invalid
          nil # not an address that a post could carry
        end

        def words(value, key)
          good = value.is_a?(Array) && value.size <= MOST && value.all?(String)
          refuse("has #{MOST} words at most to look for", key) unless good
          value.map { |one| Posts::Text.line(one, field: key, limit: WORD) }.reject(&:empty?).uniq
        end

        def refuse(why, field = "rule")
          raise Invalid.new("bad_rule", "A rule #{why}.", field: field, way_on: "Look at it again.")
        end
        private_class_method :link, :words, :refuse
      end
    end
  end
end
