# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What a screen reader reads out badly: letters out of the mathematical alphabets, which only look styled, and
      # long runs of emoji, each of which is read by its name. Source of the block: Unicode, Mathematical Alphanumeric
      # Symbols (U+1D400 to U+1D7FF).
      module ReadAloud
        STYLED = /[\u{1D400}-\u{1D7FF}]/
        LONG_RUN = 4 # emoji; common practice, no source
        # characters without a shape of their own that come along when something is pasted: zero-width spaces and
        # joiners of words, soft hyphens, marks of a text's start, and overrides of its direction. The joiners of
        # emoji and of Persian stay.
        # Source: Unicode, general category Cf, chosen by hand
        HIDDEN = /[\u00AD\u200B\u200E\u200F\u202A-\u202E\u2060\u2066-\u2069\uFEFF]/

        module_function

        # @return [Integer] how many look-alike letters there are
        def styled(text)
          text.scan(STYLED).size
        end

        # @return [Integer] how many characters nobody sees
        def hidden(text)
          text.scan(HIDDEN).size
        end

        # @return [Integer] how many emoji the longest run has; white space between them does not end it
        def longest_emoji_run(text)
          longest = run = 0
          text.grapheme_clusters.each do |cluster|
            next if cluster.match?(/\A\s+\z/)

            run = Counting::EMOJI.match?(cluster) ? run + 1 : 0
            longest = [longest, run].max
          end
          longest
        end
      end
    end
  end
end
