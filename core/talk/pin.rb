# frozen_string_literal: true

module AskFirst
  module Core
    module Talk
      # What a remark is pinned to, on one channel's proof: some of its words, a spot or an area of a picture, a page of
      # a document, a moment of a video. Places are thousandths of the picture's width and height.
      module Pin
        KINDS = %w[words spot page moment].freeze
        WHOLE = 1_000
        LONGEST = 4 * 3_600_000 # ms

        module_function

        # @param value [Hash, nil] with string keys: kind, adaptation_id; exact, prefix, suffix; media_id, x, y, width,
        #   height; page; ms
        # @return [Hash, nil] as it is kept
        # @raise [Invalid] bad_pin
        def clean(value)
          return if value.nil?
          raise bad("This is no place to point at.") unless value.is_a?(Hash) && KINDS.include?(value["kind"])

          on = { "kind" => value["kind"], "adaptation_id" => id(value["adaptation_id"]) }
          on.merge(send(value["kind"], value))
        end

        def words(value) = TextQuote.clean(value).to_h

        # A spot has no size, an area has.
        def spot(value)
          x, y = %w[x y].map { |key| number(value[key], 0, WHOLE) }
          width, height = %w[width height].map { |key| number(value[key] || 0, 0, WHOLE) }
          raise bad("This lies outside of the picture.") if x + width > WHOLE || y + height > WHOLE

          { "media_id" => id(value["media_id"]), "x" => x, "y" => y, "width" => width, "height" => height }
        end

        def page(value) = { "media_id" => id(value["media_id"]), "page" => number(value["page"], 1, 5_000) }
        def moment(value) = { "media_id" => id(value["media_id"]), "ms" => number(value["ms"], 0, LONGEST) }

        # Where it stands now.
        # @param pin [Hash] as it is kept
        # @param text [String, nil] of the proof; nil when the channel is gone
        # @param media [Array<String>] ids of the files of the proof
        # @return [Hash] {gone:, start:}; start only of words
        def now(pin, text, media)
          return { gone: !media.include?(pin["media_id"]), start: nil } unless pin["kind"] == "words"

          start = text && TextQuote.stored(pin).find(text)
          { gone: start.nil?, start: start }
        end

        def number(value, least, most)
          return value.round if value.is_a?(Numeric) && value.between?(least, most)

          raise bad("This lies outside of what it points at.")
        end

        def id(value)
          Uuid::FORMAT.match?(value.to_s) ? value : raise(bad("This points at nothing."))
        end

        def bad(sentence)
          Invalid.new("bad_pin", sentence, field: "pin", way_on: "Choose the place once more.")
        end
        private_class_method :words, :spot, :page, :moment, :number, :id, :bad
      end
    end
  end
end
