# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Adds a file to the brand sheet: fonts, guidelines, the client's logo. Its type is read from its bytes, and it
      # is only ever handed out as a download.
      class AddBrandFile < Act
        stepwise
        opens :client, "change_settings"

        MOST_BYTES = 60 * 1024 * 1024
        MOST_FILES = 200

        # @return [String] the file's id
        def call(io:, name:)
          reading { enter }
          bytes = io.size
          if bytes > MOST_BYTES
            raise Core::Invalid.new(
                    "file_too_large",
                    "The file is larger than 60 MB.",
                    field: "file",
                    way_on: "Keep it elsewhere and add its link."
                  )
          end
          if bytes.zero?
            raise Core::Invalid.new("file_empty", "The file is empty.", field: "file", way_on: "Choose another.")
          end

          label = Core::Exchange::FileName.incoming(name)
          id = new_id
          key = "#{member.workspace_id}/brand-#{id}"
          mime = environment.media.type(io)
          environment.files.put(key, io)
          write { keep_file(id, key, label, mime, bytes) }
          id
        end

        private

        def keep_file(id, key, label, mime, bytes)
          if rows(:brand_files).where(removed_at: nil, **place).count >= MOST_FILES
            raise Core::TooMany.new(
                    "At most #{MOST_FILES} files are kept here.",
                    of: "files",
                    field: "file",
                    way_on: "Take some away."
                  )
          end

          scope.insert(
            :brand_files,
            {
              id: id,
              file: key,
              name: label,
              mime: mime,
              bytes: bytes,
              added_by: member.person_id,
              added_at: now,
              **place
            }
          )
          told({ name: label, bytes: bytes })
        end

        # Where it stands: on the brand sheet, by no campaign, post or partner.
        def place = { campaign_id: nil, post_id: nil, partner_id: nil }

        def told(file)
          record("brand_file_added", facts: file)
          announce("brand", ids: [])
        end
      end
    end
  end
end
