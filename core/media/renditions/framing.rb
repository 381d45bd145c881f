# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How a picture is cut and sized for a network: first as a person framed it, then by the card's ratio rule, in
      # exact fractions, both around the spot that matters. Without a frame the cut is from the middle.
      module Framing
        MIDDLE = [500, 500].freeze # thousandths of the sides
        ZOOM = (100..400) # percent
        MOST_SHAPE = 10_000
        KEYS = %w[focus shape zoom].freeze
        WHOLE = {}.freeze

        module_function

        # @param value [Hash] {"focus" => [x, y] in thousandths, "shape" => [w, h] or nil, "zoom" => percent}
        # @return [Hash] as it is kept: what is as it would be anyway is left out
        # @raise [Invalid] bad_frame
        def clean(value)
          refuse unless value.is_a?(Hash) && (value.keys - KEYS).empty?
          focus, shape, zoom = value.values_at(*KEYS)
          refuse unless focus.nil? || pair?(focus, 0..1000)
          refuse unless shape.nil? || pair?(shape, 1..MOST_SHAPE)
          refuse unless zoom.nil? || (zoom.is_a?(Integer) && ZOOM.cover?(zoom))
          { "focus" => focus == MIDDLE ? nil : focus, "shape" => shape, "zoom" => zoom == 100 ? nil : zoom }.compact
        end

        # @param width [Integer] pixels, upright as people see it
        # @param height [Integer] pixels
        # @param rules [Channels::Card::Media]
        # @param frame [Hash] as of clean
        # @return [Hash] {"crop" => [left, top, width, height], "size" => [width, height], "mime" => "image/jpeg"}
        def for(width, height, rules, frame = WHOLE)
          crop = crop(width, height, rules.ratio, frame)
          { "crop" => crop, "size" => fit(crop[2], crop[3], rules.max_side), "mime" => "image/jpeg" }
        end

        # @return [Array(Integer, Integer, Integer, Integer)] left, top, width, height
        def crop(width, height, ratio, frame = WHOLE)
          focus = (frame["focus"] || MIDDLE).zip([width, height]).map { |at, side| Rational(at * side, 1000) }
          area = framed(width, height, frame, focus)
          return area unless ratio

          place(area, *within(area[2], area[3], ratio), focus)
        end

        # @return [Rational] the share of the picture that is cut away, 0 to 1
        def lost(width, height, crop)
          1 - Rational(crop[2] * crop[3], width * height)
        end

        def fit(width, height, most)
          longest = [width, height].max
          return width, height if longest <= most

          [width, height].map { |side| [Rational(side * most, longest).round, 1].max }
        end

        # The largest area of the wanted shape, made smaller by the zoom.
        def framed(width, height, frame, focus)
          shape = frame["shape"]
          wanted = shape ? within(width, height, [shape, shape]) : [width, height]
          zoom = Rational(100, frame["zoom"] || 100)
          place([0, 0, width, height], *wanted.map { |side| [(side * zoom).floor, 1].max }, focus)
        end

        # The largest width and height between the narrowest and the widest ratio.
        def within(width, height, ratio)
          narrowest, widest = ratio.map { |w, h| Rational(w, h) }
          shape = Rational(width, height)
          return width, [(width / narrowest).floor, 1].max if shape < narrowest
          return [(height * widest).floor, 1].max, height if shape > widest

          [width, height]
        end

        # Around the focus, and nowhere outside the area.
        def place(area, width, height, focus)
          left, top =
            [0, 1].map do |axis|
              size = axis.zero? ? width : height
              (focus[axis] - Rational(size, 2)).floor.clamp(area[axis], area[axis] + area[axis + 2] - size)
            end
          [left, top, width, height]
        end

        def pair?(value, range)
          value.is_a?(Array) && value.size == 2 && value.all? { |one| one.is_a?(Integer) && range.cover?(one) }
        end

        def refuse
          raise Invalid.new(
                  "bad_frame",
                  "A frame has a spot, a shape and how near it is.",
                  field: "framing",
                  way_on: "Frame the picture again."
                )
        end
        private_class_method :refuse, :framed, :within, :place, :pair?
      end
    end
  end
end
