# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A sign-off sheet with the pictures of what was said yes to, small, for paper.
      class SheetPaper < SheetRows
        SIDE = 320 # pixels of the longer side
        MOST_PICTURES = 150

        # @return [Hash] as of SheetRows, with pictures: {rendition id => bytes of a JPEG}, zone:, now:
        def call(**of)
          found = super
          ids = found[:rows].filter_map { |row| row[:rendition_id] }.uniq.first(MOST_PICTURES)
          files = rows(:renditions).where(id: ids).select_hash(:id, :file)
          found.merge(pictures: files.transform_values { |file| small(file) }.compact, zone: workspace[:zone], now: now)
        end

        private

        def small(file)
          kit.files.open(file) { |io| kit.pictures.preview(io, side: SIDE).read }
        rescue Core::Error, SystemCallError
          nil # the sheet says the same without it
        end
      end
    end
  end
end
