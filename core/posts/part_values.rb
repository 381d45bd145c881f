# frozen_string_literal: true

require "uri"

module AskFirst
  module Core
    module Posts
      # A schema for each part: takes what came in, gives the value as it is kept, or says what is wrong at which field.
      module PartValues
        UUID = /\A[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}\z/
        PICTURES = 20
        DESCRIPTION = 2_000

        module_function

        # @param part [String] one of Parts::ALL
        # @param value [Object] parsed JSON
        # @return [Object] canonical value
        # @raise [Invalid]
        def clean(part, value)
          case part
          when "text", "first_comment" then Text.clean(value, field: part)
          when "link" then link(value)
          when "media" then media(value)
          when "descriptions" then descriptions(value)
          when "time" then time(value)
          else
            raise Invalid.new("part_unknown", "A post has no part “#{part}” that can be written here.", field: "part")
          end
        end

        def link(value)
          return nil if value.nil? || value == ""

          address = Text.clean(value, field: "link", limit: 2_000).strip
          parsed = URI.parse(address)
          return address if parsed.is_a?(URI::HTTP) && parsed.host.to_s != ""

          raise_link
        rescue URI::InvalidURIError
          raise_link
        end

        def raise_link
          raise Invalid.new("bad_link", "A link must be a whole address that begins with http:// or https://.", field: "link",
            way_on: "Copy it from the browser's address line.")
        end

        def media(value)
          good = value.is_a?(Array) && value.size <= PICTURES && value.all? { |id| id.is_a?(String) && UUID.match?(id) } && value.uniq == value
          return value if good

          raise Invalid.new("bad_media", "Pictures must be a list of at most #{PICTURES} different files of this client.", field: "media")
        end

        def descriptions(value)
          good = value.is_a?(Hash) && value.all? { |id, _| UUID.match?(id) }
          raise Invalid.new("bad_descriptions", "Descriptions belong to pictures of this post.", field: "descriptions") unless good

          value.transform_values { |words| Text.clean(words, field: "descriptions", limit: DESCRIPTION) }
        end

        def time(value)
          return nil if value.nil?
          unless value.is_a?(Hash) && value["wall"].is_a?(String) && value["zone"].is_a?(String)
            raise Invalid.new("bad_time", "A time needs a date, an hour and a zone.",
              field: "time")
          end

          Plan::WallTime.parse(value["wall"], value["zone"], field: "time").to_h
        end
      end
    end
  end
end
