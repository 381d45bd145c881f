# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Finds the file behind a picture, for the agency side by the picture's id, for a guest only what their ask shows.
      class OpenFile < Act
        # @return [Hash] {path:, mime:}
        def preview(media_id)
          row = reading do
            require_ability!("see_post")
            fetch(:media, media_id, "This picture")
          end
          { path: kit.files.path("#{row[:file]}.preview"), mime: "image/jpeg" }
        end

        # A picture exactly as it was released, for whoever publishes by hand.
        def rendition(rendition_id)
          row = reading do
            require_ability!("see_post")
            fetch(:renditions, rendition_id, "This picture")
          end
          { path: kit.files.path(row[:file]), mime: row[:mime] }
        end

        def rendition_for_guest(rendition_id)
          reading { shown_rendition(rendition_id) }
        end

        private

        def shown_rendition(rendition_id)
          row = fetch(:renditions, rendition_id, "This picture")
          shown = rows(:ask_lines).where(ask_id: member.ask_id).join(:ask_line_adaptations, workspace_id: :workspace_id, line_id: :id)
                                  .join(:revision_adaptations, workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_line_adaptations][:revision_adaptation_id])
                                  .where(Sequel.lit("?::uuid = ANY(rendition_ids)", rendition_id))
          raise Core::NotFound, "This picture" if shown.empty?

          { path: kit.files.path(row[:file]), mime: row[:mime] }
        end
      end
    end
  end
end
