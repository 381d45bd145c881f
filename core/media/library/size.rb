# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # Whether a picture is large enough to look well on a network, by what its card asks for.
      module Size
        module_function

        # @param pixels [Array(Integer, Integer)] width and height
        # @param least [Integer, nil] pixels of the shorter side; nil or 0 where nothing is asked for
        # @return [Boolean]
        def small?(pixels, least) = pixels.min < least.to_i
      end
    end
  end
end
