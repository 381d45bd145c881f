# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # The last revision of each post, which says what was kept of it before.
      module LastRevisions
        module_function

        # @param scope [Scope]
        # @return [Hash{String=>Hash}] post id => row of revisions with its :adaptations as rows
        def of(scope, post_ids)
          last =
            scope
              .rows(:revisions)
              .where(post_id: post_ids)
              .distinct(:post_id)
              .order(:post_id, Sequel.desc(:number))
              .to_hash(:post_id)
          snapshots =
            scope
              .rows(:revision_adaptations)
              .where(revision_id: last.values.map { |row| row[:id] })
              .select(:id, :revision_id, :adaptation_id, :fingerprint, :wall, :zone)
              .to_hash_groups(:revision_id)
          last.transform_values { |row| row.merge(adaptations: snapshots.fetch(row[:id], [])) }
        end
      end
    end
  end
end
