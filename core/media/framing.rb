# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How a picture is cut and sized for a network: the ratio rule as exact fractions, the cut from the middle.
      module Framing
        module_function

        # @param width [Integer] pixels, upright as people see it
        # @param height [Integer] pixels
        # @param rules [Hash] the card's "media" rules: "ratio" => [[w, h] narrowest, [w, h] widest] or nil, "max_side" in pixels
        # @return [Hash] {"crop" => [left, top, width, height], "size" => [width, height], "mime" => "image/jpeg"}
        def for(width, height, rules)
          crop = crop(width, height, rules["ratio"])
          { "crop" => crop, "size" => fit(crop[2], crop[3], rules.fetch("max_side")), "mime" => "image/jpeg" }
        end

        # @return [Array(Integer, Integer, Integer, Integer)] left, top, width, height
        def crop(width, height, ratio)
          return [0, 0, width, height] unless ratio

          narrowest, widest = ratio.map { |w, h| Rational(w, h) }
          shape = Rational(width, height)
          if shape < narrowest
            kept = (width / narrowest).floor
            [0, (height - kept) / 2, width, kept]
          elsif shape > widest
            kept = (height * widest).floor
            [(width - kept) / 2, 0, kept, height]
          else
            [0, 0, width, height]
          end
        end

        # @return [Rational] the share of the picture that is cut away, 0 to 1
        def lost(width, height, crop)
          1 - Rational(crop[2] * crop[3], width * height)
        end

        def fit(width, height, most)
          longest = [width, height].max
          return [width, height] if longest <= most

          [width, height].map { |side| [Rational(side * most, longest).round, 1].max }
        end
      end
    end
  end
end
