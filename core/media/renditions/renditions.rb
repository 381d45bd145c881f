# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # How each file of a post is made ready for its network: pictures cut and sized, videos and documents without
      # their hidden data.
      # The same spec makes the same file, which is kept once.
      module Renditions
        CARD_RATIO = [[1, 1], [2, 1]].freeze # of a link card's picture
        CARD_SIDE = 1_200

        module_function

        # @param rows [Array<Hash>] media that go out, in their order: id, kind, width, height, duration_ms, mime
        # @param rules [Channels::Card::Media]
        # @param frames [Hash] media id => frame (Framing.clean)
        # @return [Array<Hash>] a spec for each
        def specs(rows, rules, frames)
          shape = nil
          rows.map do |row|
            frame = frames.fetch(row[:id], Framing::WHOLE)
            next other(row) unless row[:kind] == "picture"

            spec = Framing.for(row[:width], row[:height], shape ? rules.shaped(*shape) : rules, frame)
            shape ||= spec["crop"].last(2) if rules.one_shape
            spec
          end
        end

        def link_card(row)
          Framing.for(row[:width], row[:height], Channels::Card::Media.new(ratio: CARD_RATIO, max_side: CARD_SIDE))
        end

        # The same film, the same pages, without hidden data.
        def other(row)
          { "kind" => row[:kind], "mime" => row[:mime], "size" => [row[:width], row[:height]] }
        end
      end
    end
  end
end
