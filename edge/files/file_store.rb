# frozen_string_literal: true

require "digest"
require "securerandom"
require "shrine"
require "shrine/storage/file_system"
require "tempfile"

module AskFirst
  module Edge
    module Files
      # Where files lie, by their id: in a folder; or in a store elsewhere, of which the folder then holds copies of
      # what is in use. A file never changes, so that a copy is as good as it.
      class FileStore
        # nobody else on the machine reads what clients gave us
        OURS = 0o600
        OUR_FOLDERS = 0o700
        KEPT = 30 * 86_400 # seconds that a copy stays after it was made
        HOUR = 3_600
        PART = ".part" # what is being written
        PIECE = 1024 * 1024

        # @param folder [String]
        # @param far [S3Store, nil]
        def initialize(folder, far = nil)
          @storage = Shrine::Storage::FileSystem.new(folder, permissions: OURS, directory_permissions: OUR_FOLDERS)
          @far = far
        end

        # Whole or not at all: nobody reads half of one.
        # @raise [Core::Away] where there is no room, or the store cannot be reached
        def put(id, io)
          @far&.put(id, io)
          io.rewind
          written(id) { |coming| @storage.upload(io, coming) }
        end

        # @return [Boolean]
        # @raise [Core::Away]
        def there?(id) = ::File.file?(place(id)) || (@far ? @far.there?(id) : false)

        # @raise [Errno::ENOENT] when it is not there
        # @raise [Core::Away]
        def open(id)
          path(id)
          io = @storage.open(id)
          yield io
        rescue Shrine::FileNotFound
          raise Errno::ENOENT, id
        ensure
          io&.close
        end

        # A file, once it has been compared with what it was when it was put here. One that the folder holds otherwise
        # is fetched anew where there is a store.
        # @param digest [String] SHA-256, in hexadecimal
        # @param bytes [Integer]
        # @yieldparam io [IO] the very file that was compared
        # @raise [Core::Media::Spoiled]
        # @raise [Errno::ENOENT] when it is not there
        # @raise [Core::Away]
        def open_same(id, digest:, bytes:, &)
          @storage.delete(id) if @far && seen(id) != [digest, bytes]
          self.open(id) do |io|
            found = seen_in(io)
            raise Core::Media::Spoiled.new(id, bytes, found.last) if found != [digest, bytes]

            yield io
          end
        end

        # @return [String] where that file can be read
        # @raise [Core::Media::Spoiled]
        # @raise [Core::Away]
        def same_path(id, digest:, bytes:) = open_same(id, digest: digest, bytes: bytes) { path(id) }

        # Files of one person that are on their way into a client's. They lie here, wherever the others do.
        def uploads(workspace_id, person_id) = Uploads.new(place("#{workspace_id}/uploads/#{person_id}"))

        # Those that nothing was added to for a week are given up.
        # @param now [Time]
        def forget_uploads(now)
          Dir.glob(place("*/uploads/*")).each { |folder| Uploads.new(folder).expire_files(now - Uploads::KEPT) }
        end

        # Lets go of what was being written when a process was killed, and of copies of before that the store has: what
        # is asked for again is fetched again. Looked for once an hour; a store that is away keeps them.
        # @param now [Time]
        def sweep(now)
          return if @swept && now - @swept < HOUR

          @swept = now
          here = place("")
          Dir
            .glob(place(@far ? "**/*" : "**/*#{PART}"))
            .each do |path|
              next if path.include?("/uploads/") || !::File.file?(path) || ::File.mtime(path) >= now - KEPT

              ::File.delete(path) if path.end_with?(PART) || @far.there?(path.delete_prefix(here).delete_prefix("/"))
            rescue Errno::ENOENT
              next
            rescue Core::Away
              break
            end
        end

        # One file, with how it looks on the screen; what is not there is no loss.
        def remove(id)
          ["", ".preview", ".thumb"].each do |kind|
            @far&.delete("#{id}#{kind}")
            @storage.delete("#{id}#{kind}")
          end
        end

        # Everything below a prefix, such as a client's.
        def remove_all(prefix)
          @far&.delete_prefixed(prefix)
          @storage.delete_prefixed(prefix)
        end

        # Where the file can be read on this machine.
        # @return [String]
        # @raise [Core::Away]
        def path(id)
          here = place(id)
          fetch(id) if @far && !::File.file?(here)
          here
        rescue Errno::ENOENT
          here
        end

        private

        # @return [Array(String, Integer), nil] digest and bytes; nil where nothing is there
        def seen(id)
          self.open(id) { |io| seen_in(io) }
        rescue Errno::ENOENT
          nil
        end

        def seen_in(io)
          sum = Digest::SHA256.new
          while (piece = io.read(PIECE))
            sum << piece
          end
          io.rewind
          [sum.hexdigest, io.size]
        end

        def place(id) = @storage.path(id).to_s

        def fetch(id)
          Tempfile.create("far", binmode: true) do |file|
            @far.fetch(id, file)
            file.rewind
            written(id) { |coming| @storage.upload(file, coming) }
          end
        end

        def written(id)
          coming = "#{id}.#{SecureRandom.hex(8)}#{PART}"
          yield coming
          ::File.rename(place(coming), place(id))
        rescue StandardError => e
          @storage.delete(coming)
          raise e unless e.is_a?(Errno::ENOSPC)

          raise Core::Away.new("disk_full", "There is no room left for files.", way_on: "Tell whoever runs the server.")
        end
      end
    end
  end
end
