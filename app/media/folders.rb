# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What a client's media can be narrowed by: folders, kinds, labels, and what is worth a look, each with how many
      # there are.
      class Folders < LibraryAct
        opens :client, "see_post"

        # @return [Hash] JSON-ready
        def call
          counts = library.counts
          in_folder = counts[:folders]
          {
            all: counts[:all],
            loose: in_folder.fetch(nil, 0),
            folders: folders.map { |row| row.merge(files: in_folder.fetch(row[:id], 0)) },
            kinds: Library::KINDS.to_h { |kind| [kind, counts[:kinds].fetch(kind, 0)] },
            looks: counts[:looks],
            labels: rows(:labels).where(merged_into: nil).order(:name).select(:id, :name, :colour, :mark).all,
            can: can
          }
        end

        private

        def folders = rows(:media_folders).order(Sequel.function(:lower, :name)).select(:id, :name).all
      end
    end
  end
end
