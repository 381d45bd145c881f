# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What stands beside posts in a list of them: labels, campaign and owner, by name; and which
      # wording of its subject that was.
      module Beside
        SETS = RowSets.new(:plan_beside, posts: <<~SQL)
              SELECT p.id, p.subject_version, p.owner_id, o.name AS owner, c.name AS campaign, (
                SELECT json_agg(l.name ORDER BY lower(l.name)) FROM post_labels pl
                JOIN labels l ON (l.workspace_id, l.id) = (pl.workspace_id, pl.label_id)
                WHERE (pl.workspace_id, pl.post_id) = (p.workspace_id, p.id)) AS labels
              FROM unnest(:workspaces::uuid[], :posts::uuid[]) AS found (workspace_id, id)
              JOIN posts p ON (p.workspace_id, p.id) = (found.workspace_id, found.id)
              JOIN people o ON o.id = p.owner_id
              LEFT JOIN campaigns c ON (c.workspace_id, c.id) = (p.workspace_id, p.campaign_id)
            SQL
        private_constant :SETS

        # @param pairs [Array<Array(String, String)>] workspace and post, that the reader sees
        # @return [Hash{String=>Hash}] post id => {owner:, owner_id:, campaign:, labels: [names], subject_version:}
        def self.of(scope, pairs)
          return {} if pairs.empty?

          workspaces, posts = pairs.uniq.transpose.map { |ids| Database.uuids(ids) }
          SETS.fetch(scope.db, workspaces: workspaces, posts: posts)[:posts].to_h do |row|
            [row[:id], row.merge(labels: row[:labels].to_a)]
          end
        end
      end
    end
  end
end
