# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Puts many files into a folder, or gives them labels, at once.
      class SortMedia < LibraryAct
        opens :many_media, "add_media"

        # @param media_ids [Array<String>] 500 at most
        # @param folder_id [String, nil] nil for none
        # @param labels [Array<String>] names that they get beside those that they have
        # @return [Integer] how many
        def call(media_ids:, folder_id: :as_it_is, labels: [])
          ids = @opened.rows.map { |one| one[:id] }
          change = folder_id == :as_it_is ? {} : { folder_id: folder_id && folder(folder_id) }
          rows(:media).where(id: ids).update(**change, version: Store::Database.one_more(:version))
          add_labels(ids, labels)
          record("media_sorted", facts: { files: ids.size, folder: folder_name(change[:folder_id]), labels: labels })
          announce("media", ids: [])
          ids.size
        end

        private

        def folder_name(id) = id && rows(:media_folders).where(id: id).get(:name)

        def add_labels(ids, names)
          clean =
            names
              .map { |name| Core::Posts::Text.line(name, field: "labels", limit: Core::Lengths::NAME) }
              .reject(&:empty?)
              .uniq
          found = clean.any? ? Campaigns::NamedLabels.call(environment, member, names: clean) : []
          pairs = ids.product(found).map { |id, label| [member.workspace_id, id, label] }
          scope.db[:media_labels].insert_conflict.import(%i[workspace_id media_id label_id], pairs) if pairs.any?
        end
      end
    end
  end
end
