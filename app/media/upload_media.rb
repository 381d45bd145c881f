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
        # @return [Hash] the media row
        # @raise [Core::Invalid] what is wrong with the file
        def call(io:, name:)
          reading { enter }
          raise too_heavy if io.size > MOST_BYTES

          seen = kit.kinds.inspect(io)
          id = new_id
          kit.files.put("#{member.workspace_id}/#{id}", io)
          kit.files.put("#{member.workspace_id}/#{id}.preview", kit.kinds.preview(io, seen[:kind]))
          row = {
            id: id,
            file: "#{member.workspace_id}/#{id}",
            name: Core::Posts::Text.clean(name.to_s[0, 255], field: "file"),
            bytes: io.size,
            digest: digest(io),
            added_by: member.person_id,
            added_at: now
          }.merge(seen)
          write do
            scope.insert(:media, row)
            record("picture_added", facts: row.slice(:id, :name, :kind, :mime, :bytes, :width, :height))
          end
          row
        end

        private

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
