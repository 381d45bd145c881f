# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Has a film made of another one: as its newer version, or as a film of its own. It is made by a job, since that
      # takes a while; the original stays.
      class EditFilm < Act
        opens :media, "add_media"

        MOST = 3 # in the making of one film

        # @param edit [Hash] see Core::Media::FilmEdit
        # @param copy [Boolean] whether it becomes a film of its own
        # @param post_ids [Array<String>] that take the newer version
        # @return [String] id of what is being made
        # @raise [Core::Invalid] no_film; those of Core::Media::FilmEdit
        # @raise [Core::Conflict] not_newest, being_made
        def call(media_id:, edit:, copy: false, post_ids: [])
          self.class.film!(row)
          clean = Core::Media::FilmEdit.clean(edit, row[:duration_ms])
          raise NewVersion.not_newest if row[:replaced_by] && !copy

          rows(:media).where(id: media_id).for_update.get(:id) # of two at once the second counts the first
          raise being_made if rows(:film_edits).where(media_id: media_id, ended_at: nil).count >= MOST

          raise Core::NotFound, "This post" unless post_ids.all? { |id| Core::Uuid::FORMAT.match?(id.to_s) }

          keep(media_id, clean, copy, post_ids.uniq)
        end

        # @raise [Core::Invalid] no_film
        def self.film!(row)
          return if row[:kind] == "video"

          raise Core::Invalid.new("no_film", "This is no film.", field: "edit", way_on: "Choose a video.")
        end

        private

        def keep(media_id, edit, copy, post_ids)
          id = new_id
          scope.insert(
            :film_edits,
            id: id,
            media_id: media_id,
            edit: Store::Database.jsonb(edit),
            copy: copy,
            post_ids: Store::Database.uuids(post_ids),
            person_id: member.person_id,
            asked_at: now,
            made_id: new_id
          )
          environment.queue.make_film(member.workspace_id, id, at: now)
          record("film_edit_asked", facts: { id: media_id, name: row[:name] })
          announce("media", ids: [])
          id
        end

        def being_made
          Core::Conflict.new(
            "being_made",
            "#{MOST} films are being made of this one already.",
            way_on: "Wait until one of them is there."
          )
        end
      end
    end
  end
end
