# frozen_string_literal: true

require "digest"

module AskFirst
  module App
    module Media
      # Takes a picture into the client's files. Its true type and size are read from its bytes, never from its name.
      class UploadMedia < Act
        stepwise

        MOST_BYTES = 40 * 1024 * 1024

        # @param io [IO] rewindable
        # @param name [String] as the person's file was called
        # @return [Hash] the media row
        # @raise [Core::Invalid] not_a_picture, picture_too_large, picture_broken
        def call(io:, name:)
          require_ability!("add_media")
          raise too_heavy if io.size > MOST_BYTES

          seen = kit.pictures.inspect(io)
          id = new_id
          kit.files.put("#{member.workspace_id}/#{id}", io)
          kit.files.put("#{member.workspace_id}/#{id}.preview", kit.pictures.preview(io))
          row = { id: id, file: "#{member.workspace_id}/#{id}", name: Core::Posts::Text.clean(name.to_s[0, 255], field: "file"), mime: seen[:mime], bytes: io.size,
                  width: seen[:width], height: seen[:height], digest: Digest::SHA256.hexdigest(rewound(io).read), added_by: member.person_id, added_at: now }
          write do
            scope.insert(:media, row)
            record("picture_added", facts: row.slice(:id, :name, :mime, :bytes, :width, :height))
          end
          row
        end

        private

        def rewound(io)
          io.rewind
          io
        end

        def too_heavy
          Core::Invalid.new("picture_too_large", "The file is larger than #{MOST_BYTES / 1024 / 1024} MB.",
            field: "file", way_on: "Export it smaller.")
        end
      end
    end
  end
end
