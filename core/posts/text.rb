# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # Text as it is kept and sent: Unicode NFC (UAX #15), line ends as LF, no control characters but tab and LF.
      module Text
        LIMIT = 100_000 # code points; the longest limit of any network card is 60,000 UTF-16 units

        module_function

        # @param value [String] as typed or pasted
        # @param field [String] the part's name, for the error
        # @return [String] normalised, frozen
        # @raise [Invalid] too_long, bad_characters
        def clean(value, field: "text", limit: LIMIT)
          raise Invalid.new("not_text", "This must be text.", field: field) unless value.is_a?(String)

          value = value.encode(Encoding::UTF_8) if value.encoding == Encoding::US_ASCII
          unless value.encoding == Encoding::UTF_8 && value.valid_encoding?
            raise Invalid.new(
                    "bad_characters",
                    "The text holds half of a character pair and cannot be kept like this.",
                    field: field,
                    way_on: "Delete the broken character (it shows as a box) and type it again."
                  )
          end
          if value.length > limit
            raise Invalid.new(
                    "too_long",
                    "The text has #{value.length} characters; at most #{limit} can be kept.",
                    field: field,
                    way_on: "Shorten it; what you typed stays in the field."
                  )
          end
          text = value.gsub(/\r\n?/, "\n").unicode_normalize(:nfc)
          refuse_controls(text, field)
          text.freeze
        end

        # Signs that embed, override or isolate a direction of writing (UAX #9, table 4). In a name, which stands
        # among other words, they turn those round too.
        TURNING = /[\u202A-\u202E\u2066-\u2069]/

        # Text on one line: a subject, a name, a title. Line ends and white space in a row become one space.
        # @return [String] frozen; may be empty
        def line(value, field: "text", limit: LIMIT)
          clean(value, field: field, limit: limit).gsub(TURNING, "").gsub(/[[:space:]]+/, " ").strip.freeze
        end

        def refuse_controls(text, field)
          bad = text[/[\u0000-\u0008\u000B-\u001F\u007F-\u009F]/]
          return unless bad

          raise Invalid.new(
                  "bad_characters",
                  format("The text holds an invisible control character (U+%04X).", bad.ord),
                  field: field,
                  way_on: "Paste it as plain text, or delete the spot and type it again."
                )
        end
      end
    end
  end
end
