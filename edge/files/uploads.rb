# frozen_string_literal: true

require "json"
require "tus/storage/filesystem"

module AskFirst
  module Edge
    module Files
      # Files that are on their way to us, in the folder of whoever sends them: nobody else goes on with them. They are
      # kept until the file is taken into the library, or nothing came for a while.
      class Uploads < Tus::Storage::Filesystem
        KEPT = 7 * 86_400 # seconds since the last piece
        NAME = /\A\h{32}\z/
        OURS = 0o600
        OUR_FOLDERS = 0o700

        INFO = ".info" # what the library writes down of each

        # @param folder [String] of one person in one client
        def initialize(folder)
          super(folder, permissions: OURS, directory_permissions: OUR_FOLDERS)
        end

        # @param most [Integer] bytes that one counts for whose length is not known yet
        # @return [Array<Integer>] bytes that each upload of this person will have
        def open(most) = lengths("*#{INFO}", most)

        # @return [Array<Integer>] likewise, of everybody of the client
        def open_here(most) = lengths("../*/*#{INFO}", most)

        # One upload of the client is begun at a time, so that two at once do not both find room.
        # @return [Object] of the block
        def beginning
          directory.dirname.open do |folder|
            folder.flock(::File::LOCK_EX)
            yield
          end
        end

        def named?(uid) = NAME.match?(uid.to_s)

        # What a piece that broke off has left behind what is known to be there goes first.
        def patch_file(uid, input, info = {})
          file_path(uid).truncate(Integer(info.fetch("Upload-Offset", "0")))
          super
        end

        # One piece at a time.
        # @return [Object, nil] of the block; nil when another one is being taken
        def alone(uid)
          directory.join("#{uid}.lock").open("w") { |file| yield if file.flock(::File::LOCK_EX | ::File::LOCK_NB) }
        end

        # @return [Hash, nil] {path:, name:} of a file that has come whole
        def whole(uid)
          return unless named?(uid) && file_path(uid).exist?

          info = Tus::Info.new(read_info(uid))
          return unless info.length && info.offset == info.length

          { path: file_path(uid).to_s, name: info.name.to_s.dup.force_encoding(Encoding::UTF_8).scrub("") }
        end

        # What ended meanwhile counts no more.
        def lengths(pattern, most)
          directory
            .glob(pattern)
            .filter_map do |path|
              JSON.parse(path.read)["Upload-Length"]&.to_i || most
            rescue Errno::ENOENT, JSON::ParserError
              nil
            end
        end
        private :lengths

        def drop(uid) = FileUtils.rm_f([file_path(uid), info_path(uid), directory.join("#{uid}.lock")])
      end
    end
  end
end
