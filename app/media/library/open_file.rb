# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Finds the file behind something of a client, through the door. One class for each way there is to a file.
      class OpenFile < FileAct
        # A medium as it looks on the screen.
        class Preview < OpenFile
          reads :media, "see_post"
          FACE = Previews::LARGE

          private

          def found = { file: row[:file], mime: "image/jpeg" }
          def brought_up(_) = Previews.path(environment, row, self.class::FACE)
        end

        # The same small enough for a list.
        class Thumb < Preview
          FACE = Previews::SMALL
        end

        # The file as it came, with all that it says of itself: for those who work with it.
        class Original < OpenFile
          reads :media, "add_media"
        end

        # A file exactly as it was released, for whoever publishes by hand or compares revisions.
        class Rendition < OpenFile
          reads :rendition, "see_post"

          private

          def found = { **row.slice(:file, :mime), name: "#{row[:id][-6..]}.#{environment.media.ending(row[:spec])}" }
          def brought_up(file) = environment.files.same_path(file, **row.slice(:digest, :bytes))
        end

        # What a guest's ask shows, and nothing else.
        class Shown < OpenFile
          reads :own_rendition, nil

          private

          def found = row.slice(:file, :mime)
        end
      end
    end
  end
end
