# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # What a person says of a medium, wherever it is used.
      module Facts
        LIMITS = { "name" => 255, "description" => 2_000, "written" => 500, "usable_note" => 500 }.freeze
        LINES = %w[name].freeze

        module_function

        # @param given [Hash] any of name, description, written, usable_note, usable_until, boxes
        # @return [Hash{Symbol=>Object}] as they are kept
        # @raise [Invalid] name_missing, too_long, bad_day, bad_boxes
        def clean(given)
          words = LIMITS.slice(*given.keys).to_h { |key, limit| [key.to_sym, words(given[key], key, limit)] }
          raise nameless if words[:name] && words[:name].empty?

          words[:usable_until] = day(given["usable_until"]) if given.key?("usable_until")
          words.merge(boxes(given))
        end

        def words(value, key, limit)
          return Posts::Text.line(value, field: key, limit: limit) if LINES.include?(key)

          Posts::Text.clean(value, field: key, limit: limit).strip
        end

        def boxes(given)
          return {} unless given.key?("boxes")

          boxes = TextCoverage.clean(given["boxes"])
          { boxes: boxes, covered: (TextCoverage.share(boxes) * 1_000_000).round }
        end

        def day(value)
          value && Date.iso8601(value)
        rescue Date::Error, TypeError
          raise Invalid.new(
                  "bad_day",
                  "“#{value.to_s[0, 20]}” is no day of the calendar.",
                  field: "usable_until",
                  way_on: "Choose a day, or leave it empty."
                )
        end

        def nameless
          Invalid.new("name_missing", "A file needs a name.", field: "name", way_on: "Give it one.")
        end
        private_class_method :words, :boxes, :day, :nameless
      end
    end
  end
end
