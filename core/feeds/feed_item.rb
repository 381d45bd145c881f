# frozen_string_literal: true

require "digest"

module AskFirst
  module Core
    module Feeds
      # One item of a feed, as it is read. id: what the feed calls it · address: of its page · words: without markup ·
      # picture: address · at: when it came out, if that can be read · media_id: of a watched folder
      FeedItem =
        Struct.new(:id, :address, :title, :words, :picture, :at, :media_id, keyword_init: true) do
          # @param row [Hash] as of `to_json_hash`
          def self.from(row)
            new(**row.to_h.transform_keys(&:to_sym).slice(*members), at: row["at"] && Time.iso8601(row["at"]))
          end

          # By what it is known again. A feed that gives its items other ids, or moves its pages, does not make them
          # new: any one of the keys is enough.
          # @return [Array<String>] digests
          def keys
            said = title.to_s.downcase.gsub(/\s+/, " ").strip
            dated = at ? at.utc.iso8601 : words.to_s[0, 400]
            [
              media_id && "medium #{id || media_id}",
              media_id || id.to_s.empty? ? nil : "id #{id}",
              address && "address #{bare(address)}",
              media_id || said.empty? ? nil : "words #{said} #{dated}"
            ].compact.map { |key| Digest::SHA256.digest(key) }
          end

          def as_json = to_h.merge(at: at&.utc&.iso8601)

          private

          # The same page by another scheme, with or without a stroke at its end, or with marks of where one came from.
          def bare(address)
            uri = URI.parse(address)
            query = URI.decode_www_form(uri.query.to_s).reject { |name, _| name.start_with?("utm_") }.sort
            [uri.host.to_s.downcase, uri.path.to_s.chomp("/"), query].join(" ")
          rescue URI::Error, ArgumentError
            address
          end
        end
    end
  end
end
