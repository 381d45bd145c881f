# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Takes a folder away. What is in it stays, in none.
      class RemoveFolder < Act
        opens :client, "add_media"

        # @return [Integer] how many files were in it
        def call(folder_id:)
          folder = fetch(:media_folders, folder_id, "This folder")
          files =
            rows(:media).where(folder_id: folder_id).update(folder_id: nil, version: Store::Database.one_more(:version))
          rows(:media_folders).where(id: folder_id).delete
          record("folder_dropped", facts: { name: folder[:name], files: files })
          announce("media", ids: [])
          files
        end
      end
    end
  end
end
