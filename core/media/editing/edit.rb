# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How a picture is changed into another one, step by step in this order: turned, levelled, cut, made lighter and
      # clearer, and given a line of words. The same steps on the same file make the same picture.
      #
      # turn: degrees clockwise, by quarters · level: tenths of a degree clockwise · frame: see Framing · light,
      # contrast: percent · words: {"text", "colour", "ground", "at", "size", "font"}, size in thousandths of the
      # height, font the id of a file of the brand sheet or left out
      module Edit
        TURNS = [0, 90, 180, 270].freeze
        LEVEL = (-150..150)
        TONE = (-60..60)
        PLACES = %w[top middle bottom].freeze
        SIZE = (20..200)
        TEXT = 120
        KEYS = %w[turn level frame light contrast words].freeze
        WORDS = %w[text colour ground at size font].freeze

        module_function

        # @return [Hash] as it is kept: steps that change nothing are left out
        # @raise [Invalid] bad_edit, bad_frame, too_long, bad_colour, low_contrast, nothing_changed
        def clean(given)
          refuse("takes #{KEYS.join(", ")}") unless given.is_a?(Hash) && (given.keys - KEYS).empty?
          steps = {
            "turn" => one_of(given["turn"] || 0, TURNS, "turn"),
            "level" => one_of(given["level"] || 0, LEVEL, "level"),
            "light" => one_of(given["light"] || 0, TONE, "light"),
            "contrast" => one_of(given["contrast"] || 0, TONE, "contrast"),
            "frame" => Framing.clean(given["frame"] || {}),
            "words" => words(given["words"])
          }
          steps.reject { |_, value| value.nil? || value == 0 || value == {} } # rubocop:disable Style/NumericPredicate
        end

        # @param width [Integer] upright pixels of the picture
        # @param edit [Hash] as of clean
        # @return [Hash] "turned" and "levelled": [width, height] after these steps; "crop": [left, top, width, height]
        #   in the levelled picture
        def plan(width, height, edit)
          turned = edit.fetch("turn", 0) % 180 == 90 ? [height, width] : [width, height]
          levelled = levelled(*turned, edit.fetch("level", 0))
          crop = Framing.crop(*levelled, nil, edit.fetch("frame", Framing::WHOLE))
          { "turned" => turned, "levelled" => levelled, "crop" => crop }
        end

        # The largest picture of the same shape that lies within the one that is rotated about its middle.
        # @param tenths [Integer] of a degree
        # @return [Array(Integer, Integer)]
        def levelled(width, height, tenths)
          angle = tenths.abs * Math::PI / 1_800
          across = (width * Math.cos(angle)) + (height * Math.sin(angle))
          down = (width * Math.sin(angle)) + (height * Math.cos(angle))
          share = [width / across, height / down].min
          [width, height].map { |side| tenths.zero? ? side : [(side * share).floor, 1].max }
        end

        # @return [Float] how well the words can be read on their ground
        def contrast(words) = Clients::Contrast.ratio(words["colour"], words["ground"])

        def words(given)
          return if given.nil? || given["text"].to_s.strip.empty?

          refuse("has words with #{WORDS.join(", ")}", "words") unless (given.keys - WORDS).empty?
          said = {
            "text" => Posts::Text.line(given["text"], field: "words", limit: TEXT),
            "colour" => colour(given["colour"]),
            "ground" => colour(given["ground"]),
            "at" => one_of(given["at"] || "bottom", PLACES, "words"),
            "size" => one_of(given["size"] || 60, SIZE, "words"),
            "font" => font(given["font"])
          }.compact
          contrast(said) >= Clients::Contrast::LARGE ? said : raise(low_contrast(said))
        end

        def font(id)
          return id if id.nil? || Uuid::FORMAT.match?(id.to_s)

          refuse("has words in a font of the brand sheet", "words")
        end

        def colour(value)
          return value.upcase if Clients::Contrast::HEX.match?(value.to_s)

          raise Invalid.new(
                  "bad_colour",
                  "“#{value.to_s[0, 20]}” is no colour.",
                  field: "words",
                  way_on: "Choose one, or write it like #1D5C74."
                )
        end

        def one_of(value, allowed, field)
          return value if allowed.include?(value) && (allowed.is_a?(Array) || value.is_a?(Integer))

          refuse("cannot have #{field} #{value.to_s[0, 20]}", field)
        end

        def low_contrast(words)
          Invalid.new(
            "low_contrast",
            "These words can hardly be read on their ground: #{contrast(words).floor(1)} to 1, where large words " \
              "need #{Clients::Contrast::LARGE.round} to 1 (WCAG 2.2).",
            field: "words",
            way_on: "Choose a darker or a lighter colour."
          )
        end

        def refuse(why, field = "edit")
          raise Invalid.new("bad_edit", "An edit #{why}.", field: field, way_on: "Edit the picture again.")
        end
        private_class_method :words, :font, :colour, :one_of, :low_contrast, :refuse
      end
    end
  end
end
