# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # What a client's media can be narrowed by: folders, kinds, labels, and what is worth a look, each with how many
      # there are.
      class Folders < LibraryAct
        reads :client, "see_post"

        # @return [Hash] JSON-ready
        def call
          counts = library.counts
          sorted_by = Store::Media::SortedBy.of(scope)
          in_folder = counts[:folders]
          {
            all: counts[:all],
            loose: in_folder.fetch(nil, 0),
            folders: sorted_by[:folders].map { |row| row.merge(files: in_folder.fetch(row[:id], 0)) },
            kinds: Library::KINDS.to_h { |kind| [kind, counts[:kinds].fetch(kind, 0)] },
            looks: counts[:looks],
            labels: sorted_by[:labels],
            can: can
          }
        end
      end
    end
  end
end
