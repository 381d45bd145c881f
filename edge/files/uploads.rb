# frozen_string_literal: true

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

        # @param folder [String] of one person in one client
        def initialize(folder)
          super(folder, permissions: OURS, directory_permissions: OUR_FOLDERS)
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

        def drop(uid) = FileUtils.rm_f([file_path(uid), info_path(uid), directory.join("#{uid}.lock")])
      end
    end
  end
end
