# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Makes a film that was asked for, as whoever asked for it and as far as they may now. Killed in between, it is
      # made again; one that is there already is not made twice, since its id was known before.
      class MakeFilm < Act
        of_process
        stepwise

        GONE = "Whoever asked for it does not work for this client any more."

        # @return [Boolean] whether there was something to make
        def call(edit_id:)
          asked = reading { rows(:film_edits).where(id: edit_id, ended_at: nil).first } or return false

          made = reading { rows(:media).where(id: asked[:made_id]).any? }
          finish(edit_id, made ? nil : make(asked))
          true
        end

        private

        # @return [String, nil] why it is not there
        def make(asked)
          row = reading { rows(:media).where(id: asked[:media_id]).first }
          environment
            .files
            .open(row[:file]) do |io|
              environment.media.edit_film(io, asked[:edit].to_h, row[:mime]) { |film| keep(asked, row, film) }
            end
        rescue Core::Away
          raise # tried again
        rescue Core::Error => e
          [e.message, e.way_on].compact.join(" ")
        end

        def keep(asked, row, film)
          here = reading { Store::People::Members.find(environment.db, asked[:person_id], member.workspace_id, now) } or
            return GONE
          person = Member.from_row(here)
          person
            .scope(environment.db)
            .as_person_in_steps { asked[:copy] ? copy(asked, row, film, person) : newer(asked, film, person) }
          nil
        end

        def newer(asked, film, person)
          posts = asked[:post_ids].to_a
          NewVersion.call(
            environment,
            person,
            media_id: asked[:media_id],
            io: film,
            post_ids: posts,
            edit: asked[:edit].to_h,
            id: asked[:made_id]
          )
        end

        def copy(asked, row, film, person)
          own =
            UploadMedia.call(
              environment,
              person,
              io: film,
              name: row[:name],
              folder_id: row[:folder_id],
              id: asked[:made_id]
            )
          UpdateMedium.call(
            environment,
            person,
            media_id: own[:id],
            fields: {
              "description" => row[:description]
            },
            version: 1
          )
        end

        def finish(edit_id, wrong)
          write do
            rows(:film_edits).where(id: edit_id, ended_at: nil).update(ended_at: now, wrong: wrong)
            announce("media", ids: [])
          end
        end
      end
    end
  end
end
