# frozen_string_literal: true

module AskFirst
  module Core
    module Clients
      # The parts of the brand sheet: takes what came in, gives what is kept, or says what is wrong at which field.
      module BrandValues
        PARTS = %w[colours voice do dont links hashtags].freeze
        NOTHING = { "colours" => [], "voice" => "", "do" => "", "dont" => "", "links" => [], "hashtags" => [] }.freeze
        MOST = { "colours" => 24, "links" => 40, "hashtags" => 40 }.freeze
        WORDS = 8_000
        # source: UAX #31, extended hashtag identifiers, in short: letters, marks, digits and underscores
        TAG = /\A[\p{L}\p{M}\p{Nd}_]{1,100}\z/

        module_function

        # @raise [Invalid]
        def clean(part, value)
          case part
          when "voice", "do", "dont"
            Posts::Text.clean(value, field: part, limit: WORDS)
          when "colours"
            list(part, value, %w[name hex]) { |row| colour(row) }
          when "links"
            list(part, value, %w[title address]) { |row| link(row) }
          when "hashtags"
            list(part, value, %w[name tags]) { |row| hashtags(row) }
          else
            raise Invalid.new("part_unknown", "A brand sheet has no part “#{part}”.", field: "part")
          end
        end

        def list(part, value, keys, &block)
          rows = value.is_a?(Array) && value.all? { |row| row.is_a?(Hash) && (row.keys - keys).empty? } ? value : nil
          raise Invalid.new("bad_list", "This must be a list.", field: part) unless rows
          if rows.size > MOST.fetch(part)
            raise TooMany.new("At most #{MOST.fetch(part)} can be kept here.", field: part, way_on: "Take some away.")
          end

          rows.map(&block)
        end

        def colour(row)
          hex = row["hex"].to_s.strip.upcase
          hex = "##{hex}" unless hex.start_with?("#")
          hex = "##{hex[1..].chars.map { |digit| digit * 2 }.join}" if hex.match?(/\A#\h{3}\z/)
          unless Contrast::HEX.match?(hex)
            raise Invalid.new(
                    "bad_colour",
                    "“#{row["hex"].to_s[0, 20]}” is not a colour.",
                    field: "colours",
                    way_on: "Write six digits such as #1D5C74."
                  )
          end

          { "name" => name(row["name"], "colours", required: false), "hex" => hex }
        end

        def link(row)
          address = Posts::WebAddress.clean(row["address"])
          if address.nil?
            raise Invalid.new(
                    "bad_link",
                    "A link needs its address.",
                    field: "links",
                    way_on: "Copy it from the browser's address line."
                  )
          end

          { "title" => name(row["title"], "links", required: false), "address" => address }
        rescue Invalid => e
          raise e if e.field == "links"

          raise Invalid.new(e.code, e.message, field: "links", way_on: e.way_on)
        end

        def hashtags(row)
          tags =
            if row["tags"].is_a?(Array)
              row["tags"].map { |tag| tag.to_s.strip.delete_prefix("#").unicode_normalize(:nfc) }
            else
              []
            end
          bad = tags.find { |tag| !TAG.match?(tag) }
          if bad
            raise Invalid.new(
                    "bad_hashtag",
                    "“##{bad[0, 40]}” is not a hashtag.",
                    field: "hashtags",
                    way_on: "A hashtag has letters, digits and underscores, no spaces."
                  )
          end

          {
            "name" => name(row["name"], "hashtags", required: true),
            "tags" => tags.uniq { |tag| tag.unicode_normalize(:nfkc).downcase(:fold) }.first(60)
          }
        end

        def name(value, field, required:)
          text = Posts::Text.clean(value.to_s, field: field, limit: 120).strip
          if required && text.empty?
            raise Invalid.new("name_missing", "A name is missing.", field: field, way_on: "Give it one.")
          end

          text
        end
      end
    end
  end
end
