# frozen_string_literal: true

module AskFirst
  module Core
    module Plan
      # "Something should go out here": a day and a channel that are kept, with no content yet; a word on it, the kind
      # of content that is wanted (a label), and an hour if it matters; and the idea that it is for.
      class PencilMark
        MOST = 500 # cells at once
        WORD = Lengths::WORD
        CLOCK = /\A([01]\d|2[0-3]):[0-5]\d\z/

        attr_reader :day, :channel_id, :clock, :word, :label_id, :idea_id

        class << self
          # @param given [Array<Hash>] {"day" =>, "channel_id" =>, "clock" =>, "word" =>, "label_id" =>,
          #   "idea_id" =>}
          # @param field [String] that is wrong if one of them is
          # @return [Array<PencilMark>] one for each cell; of two for one cell the later
          # @raise [Invalid] too_many_marks, bad_date, time_out_of_reach, bad_mark_time, too_long, bad_id
          def read(given, now, field:)
            raise too_many(field) if given.size > MOST

            given.map { |one| of(one, now, field) }.to_h { |mark| [mark.cell, mark] }.values
          end

          private

          def of(one, now, field)
            new(
              day: Iso.day(one["day"], now, field: field),
              channel_id: id(one["channel_id"], field) || raise(bad_id(field)),
              clock: clock(one["clock"], field),
              word: Posts::Text.line(one["word"].to_s, field: field, limit: WORD),
              label_id: id(one["label_id"], field),
              idea_id: id(one["idea_id"], field)
            )
          end

          def id(value, field)
            return if value.nil?
            return value if Uuid::FORMAT.match?(value.to_s)

            raise bad_id(field)
          end

          def clock(value, field)
            return if value.nil? || value == ""
            return value if CLOCK.match?(value.to_s)

            raise Invalid.new(
                    "bad_mark_time",
                    "“#{value.to_s[0, 20]}” is no hour of a day.",
                    field: field,
                    way_on: "Write it like 07:30, or leave it out."
                  )
          end

          def bad_id(field)
            Invalid.new("bad_id", "A mark names something that is not there.", field: field, way_on: "Choose again.")
          end

          def too_many(field)
            TooMany.new(
              "At most #{MOST} marks can be put at once.",
              of: "marks",
              field: field,
              way_on: "Put them in parts, a month at a time."
            )
          end
        end

        def initialize(day:, channel_id:, clock:, word:, label_id:, idea_id: nil)
          @day = day
          @channel_id = channel_id
          @clock = clock
          @word = word
          @label_id = label_id
          @idea_id = idea_id
        end

        def cell = [day, channel_id]

        # @param zone [String] of the client
        # @return [Hash] the planned time of a post that is made from it: noon, where no hour was said
        def time(zone)
          { "wall" => "#{day.iso8601}T#{clock || "12:00"}", "zone" => zone }
        end
      end
    end
  end
end
