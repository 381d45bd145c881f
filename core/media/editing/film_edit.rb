# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How a film is changed into another one: from where to where it goes, and whether it is heard. Times are
      # milliseconds from its first picture.
      module FilmEdit
        KEYS = %w[start end mute].freeze
        LEAST = 1_000 # milliseconds that are left

        module_function

        # @param given [Hash] any of KEYS
        # @param length [Integer] milliseconds of the film
        # @return [Hash] as it is kept: what changes nothing is left out
        # @raise [Invalid] bad_edit, too_short, nothing_changed
        def clean(given, length)
          refuse("takes #{KEYS.join(", ")}") unless given.is_a?(Hash) && (given.keys - KEYS).empty?
          from = moment(given["start"] || 0, length)
          to = moment(given["end"] || length, length)
          refuse("is heard or not") unless [nil, true, false].include?(given["mute"])
          raise too_short if to - from < [LEAST, length].min

          kept = {
            "start" => from.zero? ? nil : from,
            "end" => to == length ? nil : to,
            "mute" => given["mute"] || nil
          }
          kept.compact.tap { |edit| raise unchanged if edit.empty? }
        end

        # @param at [Integer] milliseconds
        # @return [Integer] the same
        # @raise [Invalid] bad_edit
        def moment(at, length, field: "edit")
          return at if at.is_a?(Integer) && at.between?(0, length)

          refuse("stays within its #{(length / 1000.0).round(1)} seconds", field)
        end

        def refuse(why, field = "edit")
          raise Invalid.new("bad_edit", "A film #{why}.", field: field, way_on: "Choose again.")
        end

        def too_short
          Invalid.new("too_short", "Less than a second would be left.", field: "edit", way_on: "Let it end later.")
        end

        def unchanged
          Invalid.new(
            "nothing_changed",
            "Nothing of the film would change.",
            field: "edit",
            way_on: "Change something first."
          )
        end
        private_class_method :refuse, :too_short, :unchanged
      end
    end
  end
end
