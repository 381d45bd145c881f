# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How much of a picture its words cover: the area of the union of the boxes that a person drew around them, exact.
      # More than a fifth is said (common practice, no source). Boxes are in thousandths of the sides.
      module TextCoverage
        MOST = Rational(1, 5)
        SIDE = 1_000
        BOXES = 60 # of one picture

        module_function

        # @param value [Array<Array(Integer, Integer, Integer, Integer)>] left, top, width, height
        # @return [Array] as it is kept
        # @raise [Invalid] bad_boxes
        def clean(value)
          refuse unless value.is_a?(Array) && value.size <= BOXES && value.all? { |one| box?(one) }
          value.uniq
        end

        # Swept from left to right: between two edges the same boxes lie, and what they cover from top to bottom is
        # counted once.
        # @param boxes [Array] as of clean
        # @return [Rational] 0 to 1
        def share(boxes)
          edges = boxes.flat_map { |left, _, width, _| [left, left + width] }.uniq.sort
          area =
            edges
              .each_cons(2)
              .sum do |from, to|
                (to - from) * height(boxes.select { |left, _, width, _| left <= from && to <= left + width })
              end
          Rational(area, SIDE * SIDE)
        end

        # @return [Boolean] whether it is said
        def over?(share) = share > MOST

        def height(boxes)
          reached = 0
          boxes
            .map { |_, top, _, height| [top, top + height] }
            .sort
            .sum do |top, bottom|
              free = [bottom - [top, reached].max, 0].max
              reached = [reached, bottom].max
              free
            end
        end

        def box?(one)
          return false unless one.is_a?(Array) && one.size == 4 && one.all?(Integer)

          left, top, width, height = one
          left >= 0 && top >= 0 && width.positive? && height.positive? && left + width <= SIDE && top + height <= SIDE
        end

        def refuse
          raise Invalid.new(
                  "bad_boxes",
                  "Boxes around words lie inside the picture, #{BOXES} at most.",
                  field: "boxes",
                  way_on: "Draw them again."
                )
        end
        private_class_method :height, :box?, :refuse
      end
    end
  end
end
