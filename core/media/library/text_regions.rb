# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # Where words seem to stand on a picture: a first guess from how often the light changes sharply, from left to
      # right, in each small square of it (its edge density). Letters change it often and evenly along a line; a sky or
      # a straight edge hardly does, a hedge does everywhere. A help for whoever draws the boxes, never a verdict
      # (common practice, no source).
      module TextRegions
        CELL = 8 # spots of a square's side
        SIDE = 640 # spots of the longer side of what is looked at
        SHARP = 200 # of 1020, by which light changes at an edge
        DENSE = (14..85) # percent of a square's spots that are edges, where letters are
        GAP = 3 # squares between two words of a line
        LEAST = 3 # squares in a row
        ALONE = 6 # of a line that is one square high
        FULL = Rational(45, 100) # of a box that is dense
        MOST = 20 # boxes
        TEXTURE = Rational(1, 2) # of the whole picture: what covers more is no line of words

        module_function

        # @param rows [Array<Array<Integer>>] squares from the top, each with the percent of its spots that are edges
        # @return [Array<Array(Integer, Integer, Integer, Integer)>] as of TextCoverage.clean, from the top
        def boxes(rows)
          down = rows.size
          across = rows.first.to_a.size
          dense = rows.flat_map.with_index { |row, y| bridged(row).map { |x| [x, y] } }.to_h { |spot| [spot, true] }
          found = pieces(dense).select { |piece| line?(piece, across * down) }
          found.max_by(MOST, &:size).map { |piece| box(piece, across, down) }.sort_by { |left, top, *| [top, left] }
        end

        # The dense squares of a row, with those between two that are near each other.
        def bridged(row)
          at = row.each_index.select { |x| DENSE.cover?(row[x]) }
          at.each_cons(2).flat_map { |one, other| other - one <= GAP ? [*one...other] : [one] } + at.last(1)
        end

        # Squares that hang together. What is in `dense` is taken out of it.
        def pieces(dense)
          found = []
          until dense.empty?
            open = [dense.shift.first]
            piece = []
            while (spot = open.pop)
              piece << spot
              x, y = spot
              [[x - 1, y], [x + 1, y], [x, y - 1], [x, y + 1]].each do |next_to|
                open << next_to if dense.delete(next_to)
              end
            end
            found << piece
          end
          found
        end

        def line?(piece, whole)
          left, right, top, bottom = edges(piece)
          width = right - left + 1
          height = bottom - top + 1
          width >= (height == 1 ? ALONE : LEAST) && width > height && Rational(piece.size, width * height) >= FULL &&
            Rational(width * height, whole) < TEXTURE
        end

        def edges(piece) = [*piece.map(&:first).minmax, *piece.map(&:last).minmax]

        def box(piece, across, down)
          left, right, top, bottom = edges(piece)
          from = [Rational(left * 1000, across).floor, Rational(top * 1000, down).floor]
          to = [Rational((right + 1) * 1000, across).ceil, Rational((bottom + 1) * 1000, down).ceil]
          [*from, *from.zip(to).map { |start, ending| ending - start }]
        end
        private_class_method :bridged, :pieces, :line?, :edges, :box
      end
    end
  end
end
