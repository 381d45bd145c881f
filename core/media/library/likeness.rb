# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # What a picture looks like in 64 bits, so that near ones are found: whether each of 8 x 8 spots is darker than
      # the one to its right (difference hash; described by its users, no standard). A copy that was made smaller,
      # saved again or made a little lighter keeps nearly all of them; another picture shares about half.
      module Likeness
        ACROSS = 9 # grey spots in a row
        DOWN = 8
        NEAR = 6 # bits by which a near one differs at most; common practice, no source
        SIGN = 1 << 63

        module_function

        # @param greys [Array<Integer>] 9 x 8 grey values, row by row
        # @return [Integer] signed, as a database keeps 64 bits
        def of(greys)
          bits =
            greys
              .each_slice(ACROSS)
              .flat_map { |row| row.each_cons(2).map { |one, other| one < other ? 1 : 0 } }
              .reduce(0) { |sum, bit| (sum << 1) | bit }
          bits >= SIGN ? bits - (SIGN << 1) : bits
        end

        # @return [Integer] bits in which they differ, 0 to 64
        def distance(one, other) = ((one ^ other) & ((SIGN << 1) - 1)).digits(2).sum

        def near?(one, other) = distance(one, other) <= NEAR
      end
    end
  end
end
