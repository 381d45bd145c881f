# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # Pictures as a network cuts them: how much is lost where nobody framed them, above all in a set that is shown in one shape.
      module OneShape
        MUCH = Rational(1, 20) # a cut below this is not spoken of; common practice, no source

        # number: from 1; width, height: pixels; crop: as it will be cut; framed: whether a person chose the cut
        Picture = Struct.new(:number, :width, :height, :crop, :framed, keyword_init: true)

        module_function

        # @param pictures [Array<Picture>] in their order
        # @param name [String] of the network
        # @return [Array<PostChecks::Finding>] warnings
        def call(pictures, name)
          first = pictures.first
          pictures.reject(&:framed).filter_map do |picture|
            side, share = lost(picture)
            next if share < MUCH

            PostChecks.warning("cut_away", "framing", picture == first ? alone(picture, side, share, name) : beside(picture, first, side, share, name))
          end
        end

        # @return [Array(String, Rational)] the side that is cut, and how much of it
        def lost(picture)
          width = 1 - Rational(picture.crop[2], picture.width)
          height = 1 - Rational(picture.crop[3], picture.height)
          width > height ? ["width", width] : ["height", height]
        end

        def alone(picture, side, share, name)
          "Picture #{picture.number} is #{shape(picture.width,
            picture.height)}; #{name} cuts it to #{shape(picture.crop[2], picture.crop[3])}, which removes #{percent(share)} % of its #{side}."
        end

        def beside(picture, first, side, share, name)
          "Picture #{picture.number} is #{shape(picture.width, picture.height)}, the first is #{shape(first.crop[2], first.crop[3])}. #{name} cuts #{percent(share)} % of its #{side}."
        end

        def percent(share) = (share * 100).round

        # The nearest ratio of small numbers, within one hundredth; else what it is.
        def shape(width, height)
          ratio = Rational(width, height)
          near = (1..21).find { |low| ((ratio * low).round - (ratio * low)).abs <= Rational(low, 100) && (ratio * low).round.positive? }
          near ? "#{(ratio * near).round}:#{near}" : "#{width}:#{height}"
        end
      end
    end
  end
end
