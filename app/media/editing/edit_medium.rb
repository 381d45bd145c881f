# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Makes another picture of one, by the steps of an edit: as its newer version, or as a picture of its own. The
      # original stays either way.
      class EditMedium < Act
        stepwise
        opens :media, "add_media"

        # @param edit [Hash] see Core::Media::Edit
        # @param copy [Boolean] whether it becomes a picture of its own
        # @param post_ids [Array<String>] that take the newer version
        # @return [Hash] {id:, posts:}
        # @raise [Core::Invalid] no_picture, nothing_changed, no_font; those of Core::Media::Edit
        def call(media_id:, edit:, copy: false, post_ids: [])
          reading { enter }
          clean = self.class.clean(row, edit)
          raise nothing_changed if clean.empty?

          font = WordsFont.path(environment, reading { WordsFont.file(rows(:brand_files), clean) })
          made =
            environment
              .files
              .open(row[:file]) { |io| StringIO.new(environment.media.edit(io, clean, row[:mime], font: font)) }
          unless copy
            return NewVersion.call(environment, member, media_id: media_id, io: made, post_ids: post_ids, edit: clean)
          end

          own = UploadMedia.call(environment, member, io: made, name: row[:name], folder_id: row[:folder_id])
          UpdateMedium.call(
            environment,
            member,
            media_id: own[:id],
            fields: {
              "description" => row[:description]
            },
            version: 1
          )
          { id: own[:id], posts: 0 }
        end

        # @return [Hash] as of Core::Media::Edit.clean
        def self.clean(row, edit)
          return Core::Media::Edit.clean(edit) if row[:kind] == "picture"

          raise Core::Invalid.new(
                  "no_picture",
                  "Only pictures are edited here.",
                  field: "edit",
                  way_on: "Edit the file where it was made, and upload it as a newer version."
                )
        end

        private

        def nothing_changed
          Core::Invalid.new(
            "nothing_changed",
            "Nothing of the picture would change.",
            field: "edit",
            way_on: "Change something first."
          )
        end
      end
    end
  end
end
