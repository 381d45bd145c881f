# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Takes a file that has come whole into the library. A file that is there already is that file.
      class KeepUpload < Act
        stepwise
        opens :client, "add_media"

        # @param upload_id [String]
        # @param folder_id [String, nil]
        # @return [Hash] {id:, same:}
        # @raise [Core::NotFound, Core::Invalid] what is wrong with the file
        def call(upload_id:, folder_id: nil)
          reading { enter }
          uploads = environment.files.uploads(member.workspace_id, member.person_id)
          raise gone unless uploads.whole(upload_id)

          kept = uploads.alone(upload_id) { keep(uploads, upload_id, folder_id) } or raise busy
          { id: kept[:id], same: kept.fetch(:same, false) }
        end

        private

        def keep(uploads, upload_id, folder_id)
          file = uploads.whole(upload_id) or raise gone
          kept =
            ::File.open(file[:path], "rb") do |io|
              UploadMedia.call(environment, member, io: io, name: file[:name], folder_id: folder_id, once: true)
            end
          uploads.drop(upload_id)
          kept
        rescue Core::Invalid
          uploads.drop(upload_id) # it does not get better by being there
          raise
        end

        def busy
          Core::Conflict.new("upload_busy", "This file is being taken just now.", way_on: "Look again in a moment.")
        end

        def gone
          Core::NotFound.new("This upload")
        end
      end
    end
  end
end
