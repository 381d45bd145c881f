# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # How long a text is by the counting rule that a network card names.
      #
      # rules: graphemes (extended grapheme clusters, Unicode UAX #29), code_points, utf16_units, bytes_utf8, and
      # weighted: ranges of code points with weights, a link and an emoji sequence each at a flat weight.
      module Counting
        RULES = %w[graphemes code_points utf16_units bytes_utf8 weighted].freeze
        EMOJI = /\p{Extended_Pictographic}|[\u{1F1E6}-\u{1F1FF}]{2}|[0-9#*]\uFE0F?\u20E3/

        module_function

        # @param text [String]
        # @param rule [Channels::Card::Text]
        # @return [Integer] units, or the sum of weights
        def count(text, rule)
          case rule.rule
          when "graphemes"
            text.grapheme_clusters.size
          when "code_points"
            text.length
          when "utf16_units"
            utf16(text)
          when "bytes_utf8"
            text.bytesize
          when "weighted"
            pieces(text, rule).sum { |_, weight| weight }
          else
            raise Invalid.new(
                    "unknown_counting_rule",
                    "The network counts text by a rule that is not known here: #{rule.rule}."
                  )
          end
        end

        # Where the limit falls: how many code points of the text are within it. Never inside a character that a
        # person sees.
        # @return [Integer] text[0, result] is within, the rest is over
        def within(text, rule, limit)
          sum = 0
          taken = 0
          units(text, rule).each do |piece, weight|
            return taken if sum + weight > limit

            sum += weight
            taken += piece.length
          end
          taken
        end

        def units(text, rule)
          return pieces(text, rule) if rule.rule == "weighted"

          text.grapheme_clusters.map { |cluster| [cluster, count(cluster, rule)] }
        end

        def pieces(text, rule)
          result = []
          position = 0
          Links
            .find(text)
            .each do |from, length|
              result.concat(weighted_clusters(text[position...from], rule)) if from > position
              result << [text[from, length], rule.link]
              position = from + length
            end
          result.concat(weighted_clusters(text[position..], rule))
        end

        def weighted_clusters(text, rule)
          text.grapheme_clusters.map do |cluster|
            [cluster, EMOJI.match?(cluster) ? rule.emoji : cluster.each_char.sum { |char| weight(char.ord, rule) }]
          end
        end

        def weight(code_point, rule)
          range = rule.ranges.find { |from, to, _| code_point.between?(from, to) }
          range ? range[2] : rule.default
        end

        def utf16(text)
          text.length + text.each_char.count { |char| char.ord > 0xFFFF }
        end
      end
    end
  end
end
