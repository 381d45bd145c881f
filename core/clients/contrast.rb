# frozen_string_literal: true

module AskFirst
  module Core
    module Clients
      # How well two colours can be told apart. Source: WCAG 2.2, "contrast ratio" and "relative luminance" (black on
      # white is 21:1).
      module Contrast
        HEX = /\A#\h{6}\z/
        TEXT = 4.5 # least for text (success criterion 1.4.3, level AA)
        LARGE = 3.0 # least for large text and for marks (1.4.3, 1.4.11)

        module_function

        # @param one [String] "#1D5C74"
        # @return [Float] 1 to 21
        def ratio(one, other)
          lighter, darker = [luminance(one), luminance(other)].sort.reverse
          (lighter + 0.05) / (darker + 0.05)
        end

        # @return [Float] relative luminance, 0 (black) to 1 (white)
        def luminance(hex)
          red, green, blue = hex.delete_prefix("#").scan(/../).map { |pair| channel(pair.to_i(16) / 255.0) }
          (0.2126 * red) + (0.7152 * green) + (0.0722 * blue)
        end

        def channel(value)
          value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055)**2.4
        end

        # @return [String] "text", "large" (large text and marks only) or "none"
        def good_for(ratio)
          return "text" if ratio >= TEXT

          ratio >= LARGE ? "large" : "none"
        end
      end
    end
  end
end
