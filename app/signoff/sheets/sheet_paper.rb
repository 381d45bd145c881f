# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # A sign-off sheet with the pictures of what was said yes to, small, for paper.
      class SheetPaper < SheetRows
        stepwise

        SIDE = 320 # pixels of the longer side
        MOST_PICTURES = 150

        # @return [Hash] as of SheetRows, with pictures: {rendition id => bytes of a JPEG}, zone:, now:
        def call(**of)
          found = nil
          files =
            reading do
              enter
              found = super(**of)
              ids = found[:rows].filter_map { |row| row[:rendition_id] }.uniq.first(MOST_PICTURES)
              rows(:renditions).where(id: ids).select_hash(:id, :file)
            end
          found.merge(pictures: pictures(files), zone: workspace[:zone], now: now)
        end

        private

        # The sheet says the same without one that cannot be read, and without the rest where the store is away.
        def pictures(files)
          files.each_with_object({}) do |(id, file), made|
            made[id] = environment.files.open(file) { |io| environment.media.small(io, SIDE).read }
          rescue Core::Away
            break made
          rescue Core::Error, SystemCallError
            next
          end
        end
      end
    end
  end
end
