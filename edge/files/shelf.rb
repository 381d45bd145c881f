# frozen_string_literal: true

require "marcel"
require "shrine"
require "shrine/storage/file_system"

module AskFirst
  module Edge
    module Files
      # Where files lie, by their id. Shrine's storage, so that an S3-like one can take its place.
      class Shelf
        # nobody else on the machine reads what clients gave us
        OURS = 0o600
        OUR_FOLDERS = 0o700

        def initialize(folder)
          @storage = Shrine::Storage::FileSystem.new(folder, permissions: OURS, directory_permissions: OUR_FOLDERS)
        end

        def put(id, io)
          io.rewind
          @storage.upload(io, id)
        end

        # @raise [Errno::ENOENT] when it is not there
        def open(id)
          io = @storage.open(id)
          yield io
        rescue Shrine::FileNotFound
          raise Errno::ENOENT, id
        ensure
          io&.close
        end

        # @return [String] the true type, from the bytes
        def type(io)
          io.rewind
          Marcel::MimeType.for(io)
        ensure
          io.rewind
        end

        # Files of one person that are on their way into a client's.
        def uploads(workspace_id, person_id) = Uploads.new(path("#{workspace_id}/uploads/#{person_id}"))

        # Those that nothing was added to for a week are given up.
        # @param now [Time]
        def forget_uploads(now)
          Dir.glob(path("*/uploads/*")).each { |folder| Uploads.new(folder).expire_files(now - Uploads::KEPT) }
        end

        # One file, with how it looks on the screen; what is not there is no loss.
        def remove(id)
          ["", ".preview", ".thumb"].each { |kind| @storage.delete("#{id}#{kind}") }
        end

        # Everything below a prefix, such as a client's.
        def remove_all(prefix)
          @storage.delete_prefixed(prefix)
        end

        def path(id)
          @storage.path(id).to_s
        end
      end
    end
  end
end
