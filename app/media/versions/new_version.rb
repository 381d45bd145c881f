# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Puts a newer file in the place of a medium. What is said of it goes along; the posts that are named hold the
      # newer one from now on, all of them or none; ideas do too. What keeps the one before keeps it.
      class NewVersion < UploadMedia
        opens :media, "add_media"

        KEPT = %i[name folder_id description written usable_until usable_note].freeze

        # @param media_id [String]
        # @param io [IO] rewindable
        # @param post_ids [Array<String>] see VersionCost
        # @param edit [Hash, nil] of Core::Media::Edit or FilmEdit, where it was made by one
        # @param id [String, nil] that it gets, where it is known before
        # @return [Hash] {id:, posts: how many hold it now}
        # @raise [Core::Invalid] what is wrong with the file; another_kind, same_file
        # @raise [Core::Conflict] not_newest; sealed, and what else refuses in one of the posts
        def call(media_id:, io:, post_ids: [], edit: nil, id: nil)
          reading { enter }
          raise self.class.not_newest if row[:replaced_by]

          newer = made(io, edit, id || new_id)
          put(newer, io)
          posts = write { replace(media_id, newer, post_ids) }
          { id: newer[:id], posts: posts }
        rescue StandardError
          drop_files(newer) if newer && newer[:file]
          raise
        end

        # @return [Core::Conflict]
        def self.not_newest
          Core::Conflict.new(
            "not_newest",
            "There is a newer version of this file already.",
            way_on: "Look at the newest one, and go on from there."
          )
        end

        private

        # Of a version that did not come to be; one that did keeps them, whatever went wrong after that.
        def drop_files(newer)
          environment.files.remove(newer[:file]) if reading { rows(:media).where(id: newer[:id]).empty? }
        end

        def made(io, edit, id)
          digest = digest(io)
          raise same_file if digest == row[:digest]

          found = kept(io, row[:name])
          raise another_kind(found[:kind]) unless found[:kind] == row[:kind]

          said = row.slice(*KEPT)
          # words stand elsewhere on a picture of another shape
          said[:boxes] = row[:boxes] if edit.nil? && row.values_at(:width, :height) == found.values_at(:width, :height)
          line = { number: row[:number] + 1, first_id: row[:first_id] || row[:id] }
          { **said, **found, **line, id: id, digest: digest, edit: edit && Store::Database.jsonb(edit) }
        end

        def replace(media_id, newer, post_ids)
          enter # as it is now, and locked until it is done
          there = rows(:media).where(id: media_id).for_update.first
          raise self.class.not_newest if there[:replaced_by]

          stored = newer.merge(boxes: Store::Database.jsonb(newer.fetch(:boxes, []).to_a))
          stored[:covered] = newer.key?(:boxes) ? there[:covered] : 0
          scope.insert(:media, stored)
          read_later(stored)
          rows(:media).where(id: media_id).update(replaced_by: newer[:id])
          take_along(media_id, newer[:id])
          posts = SwapMedium.call(environment, member, post_ids: post_ids.uniq, from: media_id, into: newer[:id])
          record("medium_replaced", facts: { id: newer[:id], name: newer[:name], number: newer[:number], posts: posts })
          announce("media", ids: [])
          posts
        end

        def take_along(from, into)
          labels = rows(:media_labels).where(media_id: from).select_map(:label_id)
          scope.insert(:media_labels, *labels.map { |id| { media_id: into, label_id: id } })
          ideas = rows(:idea_media).where(media_id: from).select(:idea_id, :place).all
          rows(:idea_media).where(media_id: from).delete if ideas.any?
          scope.insert(:idea_media, *ideas.map { |idea| { **idea, media_id: into } })
        end

        def same_file
          Core::Invalid.new("same_file", "This is the very same file.", field: "file", way_on: "Choose the newer one.")
        end

        def another_kind(kind)
          Core::Invalid.new(
            "another_kind",
            "A #{row[:kind]} cannot become a #{kind}.",
            field: "file",
            way_on: "Add it as a file of its own."
          )
        end
      end
    end
  end
end
