# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # What a part of a post says with a newer version in the place of a medium.
      module Swap
        # Parts that can hold a medium, the files first: what the others say hangs on them.
        PARTS = %w[media descriptions framing link tagged].freeze

        module_function

        # @param part [String] one of PARTS
        # @param value [Object] of the part, JSON-ready
        # @param from [String] id of the medium
        # @param into [String] id of its newer version
        # @return [Object, nil] the new value; nil where the part does not hold it
        def value(part, value, from, into)
          swapped = ->(id) { id == from ? into : id }
          made =
            case part
            when "media"
              (value - [into]).map(&swapped)
            when "descriptions", "framing"
              value.except(into).transform_keys(&swapped)
            when "link"
              card(value, swapped)
            else
              value.map { |spot| spot.merge("media" => swapped.call(spot["media"])) }
            end
          made == value ? nil : made
        end

        def card(link, swapped)
          shown = link["card"] or return link
          link.merge("card" => shown.merge("picture" => swapped.call(shown["picture"])))
        end
        private_class_method :card
      end
    end
  end
end
