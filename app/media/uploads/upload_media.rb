# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    module Media
      # Takes a picture, a video or a document into the client's files. Its true type and size are read from its
      # bytes, never from its name.
      class UploadMedia < Act
        stepwise
        opens :client, "add_media"

        MOST_BYTES = 200 * 1024 * 1024 # of any kind; each kind has its own limit

        # @param io [IO] rewindable
        # @param name [String] as the person's file was called
        # @param folder_id [String, nil]
        # @param id [String, nil] that it gets, where it is known before
        # @param once [Boolean] whether a file that is there already, and that the member sees, is that one
        # @return [Hash] the media row; with same: true where it was there
        # @raise [Core::Invalid] what is wrong with the file
        def call(io:, name:, folder_id: nil, once: false, id: nil)
          reading { enter }
          raise too_heavy if io.size > MOST_BYTES

          fetch(:media_folders, folder_id, "This folder") if folder_id
          digest = digest(io)
          same = once && reading { Store::Media::Duplicates.same(scope, digest) }
          return same.merge(same: true) if same

          row = { id: id || new_id, digest: digest, **kept(io, name) }
          put(row, io)
          write { add(row, folder_id) }
          row
        end

        private

        def add(row, folder_id)
          # one whose folder went away meanwhile lies in none
          into = folder_id && rows(:media_folders).where(id: folder_id).for_share.get(:id)
          scope.insert(:media, row.merge(folder_id: into))
          read_later(row)
          record("picture_added", facts: row.slice(:id, :name, :kind, :mime, :bytes, :width, :height))
          announce("media", ids: [])
        end

        # What is known of it by itself.
        def kept(io, name)
          {
            name: Core::Exchange::FileName.incoming(name),
            bytes: io.size,
            added_by: member.person_id,
            added_at: now,
            **environment.media.inspect(io)
          }
        end

        # A picture was read to its last line; whether a film or a document can be shown is known when it is drawn.
        def put(row, io)
          row[:file] = "#{member.workspace_id}/#{row[:id]}"
          drawn = row[:kind] == "picture" ? nil : environment.media.preview(io, row[:kind])
          environment.files.put(row[:file], io)
          Previews.keep(environment, row, drawn) if drawn
          row[:read_at] = now if drawn
        end

        # How a picture looks is read by a job: nobody waits for it.
        def read_later(row)
          environment.queue.read_medium(member.workspace_id, row[:id], at: now) unless row[:read_at]
        end

        def digest(io)
          io.rewind
          sum = Digest::SHA256.new
          while (piece = io.read(1024 * 1024))
            sum << piece
          end
          sum.hexdigest
        end

        def too_heavy
          Core::Invalid.new(
            "file_too_large",
            "The file is larger than #{MOST_BYTES / 1024 / 1024} MB.",
            field: "file",
            way_on: "Export it smaller."
          )
        end
      end
    end
  end
end
