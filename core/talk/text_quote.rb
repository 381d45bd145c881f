# frozen_string_literal: true

module AskFirst
  module Core
    module Talk
      # Some words of a text, known by themselves and by what stood around them: so that a remark stays with them when
      # the text around changes, and knows when they are gone. Source: W3C Recommendation "Web Annotation Data Model",
      # 23 February 2017, section 4.2.4, Text Quote Selector.
      class TextQuote
        AROUND = 32 # characters kept on either side
        MOST = 1_000

        attr_reader :exact, :prefix, :suffix

        # @param value [Hash] {"exact" =>, "prefix" =>, "suffix" =>}
        # @raise [Invalid] bad_pin
        def self.clean(value)
          words = %w[exact prefix suffix].to_h { |key| [key, Posts::Text.clean(value[key].to_s, field: "pin")] }
          good = !words["exact"].strip.empty? && words["exact"].length <= MOST
          raise Invalid.new("bad_pin", "These are no words to point at.", field: "pin") unless good

          new(words["exact"], words["prefix"][-AROUND..] || words["prefix"], words["suffix"][0, AROUND])
        end

        # @param value [Hash] as it is kept
        def self.stored(value) = new(value["exact"], value["prefix"].to_s, value["suffix"].to_s)

        # @param text [String]
        # @param start [Integer] character
        def self.at(text, start, length)
          new(text[start, length], text[[start - AROUND, 0].max...start], text[start + length, AROUND].to_s)
        end

        def initialize(exact, prefix, suffix)
          @exact = exact
          @prefix = prefix
          @suffix = suffix
        end

        # Where the words stand now: of several, where most of what stood around them stands still.
        # @param text [String]
        # @return [Integer, nil] character; nil when they are gone
        def find(text)
          places(text).max_by { |start| [likeness(text, start), -start] }
        end

        # @return [String, nil] the text with other words in their place; nil when they are gone, or when the same words
        #   stand elsewhere only, with less than a third around them of what stood around the ones that are meant
        def replace(text, words)
          start = find(text) or return
          return unless meant?(text, start)

          text[0, start] + words + text[(start + exact.length)..]
        end

        def to_h = { "exact" => exact, "prefix" => prefix, "suffix" => suffix }

        private

        # Whole characters as people see them: never a letter without the marks that belong to it.
        def places(text)
          edges = text.each_grapheme_cluster.reduce([0]) { |found, one| found << (found.last + one.length) }.to_set
          found = []
          from = 0
          while (start = text.index(exact, from))
            found << start if edges.include?(start) && edges.include?(start + exact.length)
            from = start + 1
          end
          found
        end

        # What was kept with nothing around it is known by standing there once.
        def meant?(text, start)
          around = prefix.length + suffix.length
          around.zero? ? places(text).one? : likeness(text, start) * 3 >= around
        end

        # Characters that are the same, going away from the words to either side.
        def likeness(text, start)
          same(prefix.reverse, text[0, start].reverse) + same(suffix, text[(start + exact.length)..])
        end

        def same(one, other) = one.each_char.zip(other.each_char).take_while { |a, b| a == b }.size
      end
    end
  end
end
