# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Pictures as a network cuts them: how much is lost where nobody framed them, above all in a set that is shown
      # in one shape.
      module OneShape
        MUCH = Rational(1, 20) # a cut below this is not spoken of; common practice, no source
        SMALL = 21
        # width to height, as the trade calls them: common practice, no source
        CALLED =
          [
            [1, 1],
            [4, 5],
            [5, 4],
            [2, 3],
            [3, 2],
            [3, 4],
            [4, 3],
            [9, 16],
            [16, 9],
            [1, 2],
            [2, 1]
          ].map { |width, height| Rational(width, height) }.freeze

        # number: from 1; width, height: pixels; crop: as it will be cut; framed: whether a person chose the cut
        Picture = Struct.new(:number, :width, :height, :crop, :framed, keyword_init: true)

        module_function

        # @param pictures [Array<Picture>] in their order
        # @param name [String] of the network
        # @return [Array<PostChecks::Finding>] warnings
        def call(pictures, name)
          first = pictures.first
          pictures
            .reject(&:framed)
            .filter_map do |picture|
              side, share = lost(picture)
              next if share < MUCH

              PostChecks.warning(
                "cut_away",
                "framing",
                picture == first ? alone(picture, side, share, name) : beside(picture, first, side, share, name)
              )
            end
        end

        # @return [Array(String, Rational)] the side that is cut, and how much of it
        def lost(picture)
          width = 1 - Rational(picture.crop[2], picture.width)
          height = 1 - Rational(picture.crop[3], picture.height)
          width > height ? ["width", width] : ["height", height]
        end

        def alone(picture, side, share, name)
          now = shape(picture.width, picture.height)
          cut = shape(picture.crop[2], picture.crop[3])
          "Picture #{picture.number} is #{now}; #{name} cuts it to #{cut}, which removes #{percent(share)} % " \
            "of its #{side}."
        end

        def beside(picture, first, side, share, name)
          "Picture #{picture.number} is #{shape(picture.width, picture.height)}, the first is " \
            "#{shape(first.crop[2], first.crop[3])}. #{name} cuts #{percent(share)} % of its #{side}."
        end

        def percent(share) = (share * 100).round

        # By the numbers that it has, where they are small; else as the trade calls what is within one hundredth of
        # it; else the nearest ratio of small numbers; else in pixels.
        def shape(width, height)
          ratio = Rational(width, height)
          return "#{ratio.numerator}:#{ratio.denominator}" if [ratio.numerator, ratio.denominator].max <= SMALL

          called = CALLED.min_by { |one| (one - ratio).abs }
          return "#{called.numerator}:#{called.denominator}" if (called - ratio).abs <= ratio / 100

          near =
            (1..SMALL).find do |low|
              ((ratio * low).round - (ratio * low)).abs <= Rational(low, 100) && (ratio * low).round.between?(1, SMALL)
            end
          near ? "#{(ratio * near).round}:#{near}" : "#{width}:#{height}"
        end
      end
    end
  end
end
