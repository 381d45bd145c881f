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
            { path: kit.files.path("#{row[:file]}.preview"), mime: "image/jpeg" }
          end
        end

        # The same small enough for a list. Files of before have none of their own.
        class Thumb < OpenFile
          opens :media, "see_post"

          # @return [Hash] {path:, mime:}
          def call(media_id:)
            small, large = %w[thumb preview].map { |name| kit.files.path("#{row[:file]}.#{name}") }
            { path: ::File.file?(small) ? small : large, mime: "image/jpeg" }
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
