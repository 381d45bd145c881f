# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # A medium as it is told.
      module Card
        TOLD = %i[
          id
          name
          kind
          mime
          bytes
          width
          height
          duration_ms
          pages
          cover_ms
          folder_id
          description
          written
          usable_note
          near_to
          version
          number
          replaced_by
          used
          out
        ].freeze

        MILLION = 1_000_000

        module_function

        # @param row [Hash] of Store::Media::Library
        # @param today [Date] in the client's zone
        # @return [Hash] JSON-ready
        def json(row, today)
          row.slice(*TOLD).merge(
            usable_until: row[:usable_until]&.iso8601,
            usable: Core::Media::Usable.state(row[:usable_until], today),
            frame_rate: row[:frame_rate]&.to_f,
            boxes: row[:boxes].to_a,
            guess: row[:guess].to_a,
            read: !row[:read_at].nil?,
            small: row[:kind] == "picture" && Core::Media::Size.small?(row.values_at(:width, :height), row[:least]),
            covered: row[:covered] / MILLION.to_f,
            wordy: row[:covered].positive? && Core::Media::TextCoverage.over?(Rational(row[:covered], MILLION)),
            label_ids: row[:label_ids].to_a,
            added_by: row[:added_by_name],
            added_at: row[:added_at].iso8601
          )
        end
      end
    end
  end
end
