# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Finds the file behind something of a client, through the door. One class for each way there is to a file.
      class OpenFile < Act
        # The small picture of a medium, for the screen.
        class Preview < OpenFile
          opens :media, "see_post"

          # @return [Hash] {path:, mime:}
          def call(media_id:)
            { path: Faces.path(kit, row, Faces::LARGE), mime: "image/jpeg" }
          end
        end

        # The same small enough for a list.
        class Thumb < OpenFile
          opens :media, "see_post"

          # @return [Hash] {path:, mime:}
          def call(media_id:)
            { path: Faces.path(kit, row, Faces::SMALL), mime: "image/jpeg" }
          end
        end

        # The file as it came, with all that it says of itself: for those who work with it.
        class Original < OpenFile
          opens :media, "add_media"

          # @return [Hash] {path:, mime:, name:}
          def call(media_id:)
            { path: kit.files.path(row[:file]), mime: row[:mime], name: row[:name] }
          end
        end

        # A file exactly as it was released, for whoever publishes by hand or compares revisions.
        class Rendition < OpenFile
          opens :rendition, "see_post"

          # @return [Hash] {path:, mime:, name:}
          def call(rendition_id:)
            {
              path: kit.files.path(row[:file]),
              mime: row[:mime],
              name: "#{rendition_id[-6..]}.#{kit.kinds.ending(row[:spec])}"
            }
          end
        end

        # What a guest's ask shows, and nothing else.
        class Shown < OpenFile
          opens :own_rendition, nil

          # @return [Hash] {path:, mime:}
          def call(rendition_id:)
            { path: kit.files.path(row[:file]), mime: row[:mime] }
          end
        end
      end
    end
  end
end
