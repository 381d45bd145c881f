# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # The file that each of some posts shows first: the master's, or else of the first channel with one of its own.
      module Pictures
        SETS = RowSets.new(:plan_pictures, files: <<~SQL)
              SELECT DISTINCT ON (p.post_id) p.post_id, m.file, m.cover_ms
              FROM parts p
              JOIN media m ON m.workspace_id = p.workspace_id AND m.id::text = p.value ->> 0
              WHERE p.workspace_id = ANY(:w) AND p.post_id = ANY(:posts::uuid[]) AND p.part = 'media'
                AND (p.channel_id IS NULL OR NOT (p.channel_id = ANY(:hidden::uuid[])))
              ORDER BY p.post_id, p.channel_id NULLS FIRST
            SQL
        private_constant :SETS

        module_function

        # @param scope [Scope]
        # @param posts [Array<String>] ids, of those that the reader sees
        # @return [Hash{String=>Hash}] post => file:, cover_ms:
        def of(scope, posts)
          values = { w: Database.uuids(scope.workspace_ids), posts: Database.uuids(posts) }
          hidden = Database.uuids(hidden(scope))
          SETS.fetch(scope.db, **values, hidden: hidden)[:files].to_h { |row| [row[:post_id], row] }
        end

        # @return [Array<String>] channels that the reader is limited away from
        def hidden(scope)
          scope.limits.flat_map do |workspace_id, channel_ids|
            scope.db[:channels].where(workspace_id: workspace_id).exclude(id: channel_ids).select_map(:id)
          end
        end
        private_class_method :hidden
      end
    end
  end
end
