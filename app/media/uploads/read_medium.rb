# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Reads what a picture looks like: its faces for the screen, what it is nearly the same as, and where its words
      # seem to be. Read twice, it says the same.
      class ReadMedium < Act
        of_process
        stepwise

        # @return [Boolean] whether there was something to read
        def call(media_id:)
          row = reading { rows(:media).where(id: media_id, read_at: nil).first } or return false

          seen = row[:kind] == "picture" ? look(row) : {}
          write { keep(row, seen) }
          true
        end

        private

        def look(row)
          environment
            .files
            .open(row[:file]) do |io|
              large = environment.media.preview(io, row[:kind])
              Previews.keep(environment, row, large)
              {
                likeness: Core::Media::Likeness.of(environment.media.greys(io)),
                guess: Core::Media::TextRegions.boxes(environment.media.edges(large))
              }
            end
        rescue Core::Invalid, Errno::ENOENT => e
          # gone or broken since it came: nobody waits for it any longer
          Core::Media::Harmful.it?(e) ? { harmful: true } : {}
        end

        # What a person has said meanwhile stands.
        def keep(row, seen)
          there = rows(:media).where(id: row[:id], read_at: nil).for_update.first or return
          near = there[:number] == 1 && seen[:likeness] ? Store::Media::Duplicates.near(scope, seen[:likeness]) : nil
          guess = there[:boxes].to_a.empty? ? seen.fetch(:guess, []) : []
          rows(:media).where(id: row[:id]).update(
            read_at: now,
            likeness: seen[:likeness],
            near_to: near,
            guess: Store::Database.jsonb(guess)
          )
          MarkHarmful.call(environment, member, row: row) if seen[:harmful]
          announce("media", ids: [])
        end
      end
    end
  end
end
