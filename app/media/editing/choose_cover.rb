# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Chooses the picture of a film by which it is shown in lists and in posts.
      class ChooseCover < Act
        stepwise
        opens :media, "add_media"

        # @param at [Integer] milliseconds from its first picture
        # @return [Integer] the same
        # @raise [Core::Invalid] no_film, bad_edit
        def call(media_id:, at:)
          reading { enter }
          EditFilm.film!(row)
          Core::Media::FilmEdit.moment(at, row[:duration_ms], field: "at")
          preview = environment.files.open(row[:file]) { |io| environment.media.preview(io, row[:kind], at: at) }
          Previews.keep(environment, row.merge(cover_ms: at), preview)
          write do
            enter
            rows(:media).where(id: media_id).update(cover_ms: at)
            record("cover_chosen", facts: { id: media_id, name: row[:name], at: at })
            announce("media", ids: [])
          end
          at
        end
      end
    end
  end
end
