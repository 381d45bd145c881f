# frozen_string_literal: true

module AskFirst
  module Store
    module Media
      # The folders and labels that a client's media are sorted by, in one statement.
      module SortedBy
        SETS =
          RowSets.new(
            :media_sorted_by,
            folders: "SELECT id, name FROM media_folders WHERE workspace_id = :w ORDER BY lower(name)",
            labels:
              "SELECT id, name, colour, initials FROM labels " \
                "WHERE workspace_id = :w AND merged_into IS NULL ORDER BY name"
          )
        private_constant :SETS

        # @param scope [Scope] of one workspace
        # @return [Hash] :folders {id:, name:}, :labels {id:, name:, colour:, initials:}, each in order
        def self.of(scope) = SETS.fetch(scope.db, w: scope.workspace_id)
      end
    end
  end
end
