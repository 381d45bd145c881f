# frozen_string_literal: true

require "json"
require "nokogiri"

module AskFirst
  module Edge
    module Feeds
      # What a feed's bytes are, and what of them is handed to its parser: XML in one encoding, without a document type
      # (so without entities, which could name our files and other servers) and without the items that are too many;
      # JSON with values of the types that the format gives them. The parser itself replaces entities whatever they
      # name.
      module Source
        ATOM = "http://www.w3.org/2005/Atom"
        JSON_FEED = "https://jsonfeed.org/version/"
        ITEMS = { "rss" => "//*[local-name()='item']", "atom" => "/*/*[local-name()='entry']" }.freeze
        JSON_BEGINS = /\A(?:\xEF\xBB\xBF)?\s*\{/n
        TEXTS = %w[id url external_url title content_html content_text summary image banner_image].freeze
        DATES = %w[date_published date_modified].freeze

        module_function

        # @param body [String]
        # @param most [Integer] items
        # @return [Array(String, Object), nil] rss or atom with XML, json with a Hash; nil for what is none of them
        def of(body, most)
          JSON_BEGINS.match?(body.b) ? json(body, most) : xml(body.b, most)
        end

        def xml(body, most)
          # libxml's own limits on depth and size hold; nothing is fetched, no entity is replaced
          page = Nokogiri.XML(body, nil, nil, Nokogiri::XML::ParseOptions::DEFAULT_XML)
          kind = kind_of(page.root) or return

          page.xpath(ITEMS.fetch(kind)).drop(most).each(&:unlink)
          page.internal_subset&.unlink
          without_entities(page.root)
          [kind, page.root.to_xml(encoding: "UTF-8")]
        end

        def kind_of(root)
          case root&.name
          when "rss", "RDF"
            "rss"
          when "feed"
            "atom" if root.namespace.nil? || root.namespace.href == ATOM
          end
        end

        # Those of XML itself are text by now.
        def without_entities(root)
          found = []
          root.traverse { |node| found << node if node.type == Nokogiri::XML::Node::ENTITY_REF_NODE }
          found.each { |node| node.replace(Nokogiri::XML::Text.new(named(node.name), node.document)) }
        end

        # What HTML calls so, such as nbsp, which many feeds use without saying what it is.
        def named(name) = Nokogiri::HTML4::NamedCharacters[name]&.then { |code| [code].pack("U") } || ""

        def json(body, most)
          read = JSON.parse(body.dup.force_encoding(Encoding::UTF_8).scrub("").delete_prefix("\uFEFF"))
          return unless read.is_a?(Hash) && read["version"].to_s.start_with?(JSON_FEED)

          items = read["items"].is_a?(Array) ? read["items"].grep(Hash).first(most) : []
          [
            "json",
            { "version" => read["version"], "title" => text(read["title"]), "items" => items.map { |one| item(one) } }
          ]
        end

        # Format: JSON Feed 1.1. An item may lack an address; an id that is a number is meant as text.
        def item(read)
          said = TEXTS.to_h { |name| [name, text(read[name])] }
          said["url"] ||= said["external_url"]
          said["id"] ||= said["url"]
          said.merge(DATES.to_h { |name| [name, text(read[name])] })
        end

        def text(value)
          value = value.to_s if value.is_a?(Numeric)
          value.is_a?(String) ? value : nil
        end
        private_class_method :xml, :kind_of, :without_entities, :named, :json, :item, :text
      end
    end
  end
end
