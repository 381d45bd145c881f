# frozen_string_literal: true

module AskFirst
  module Store
    module Campaigns
      # What is read of campaigns and labels.
      module Facts
        LABELS = RowSets.new(:labels_here, labels: <<~SQL)
              SELECT id, name, colour, initials, parent_id,
                (SELECT count(*) FROM post_labels p WHERE (p.workspace_id, p.label_id) = (l.workspace_id, l.id)) AS posts,
                (SELECT count(*) FROM pencil_marks m WHERE (m.workspace_id, m.label_id) = (l.workspace_id, l.id)) AS marks
              FROM labels l WHERE workspace_id = ANY(:w) AND merged_into IS NULL ORDER BY lower(name)
            SQL
        BESIDE = RowSets.new(:campaign_beside, channels: <<~SQL, people: <<~SQL, labelled: <<~SQL)
              SELECT c.id, c.network, c.initials, c.name, c.state, c.archived_at IS NOT NULL AS archived
              FROM campaign_channels cc JOIN channels c ON (c.workspace_id, c.id) = (cc.workspace_id, cc.channel_id)
              WHERE cc.workspace_id = ANY(:w) AND cc.campaign_id = :campaign ORDER BY c.position
            SQL
              SELECT p.id, p.name FROM campaign_people cp JOIN people p ON p.id = cp.person_id
              WHERE cp.workspace_id = ANY(:w) AND cp.campaign_id = :campaign ORDER BY p.name
            SQL
              SELECT pl.post_id, json_agg(pl.label_id) AS ids FROM post_labels pl
              JOIN posts p ON (p.workspace_id, p.id) = (pl.workspace_id, pl.post_id)
              WHERE p.workspace_id = ANY(:w) AND p.campaign_id = :campaign GROUP BY 1
            SQL
        private_constant :LABELS, :BESIDE

        module_function

        # @param scope [Scope]
        # @return [Array<Hash>] labels by name, with how many :posts and pencil :marks carry them
        def labels(scope) = LABELS.fetch(scope.db, w: Database.uuids(scope.workspace_ids))[:labels]

        # @return [Hash{Symbol=>Array<Hash>}] :channels, :people, :labelled ({post_id:, ids:})
        def beside(scope, campaign_id)
          BESIDE.fetch(scope.db, w: Database.uuids(scope.workspace_ids), campaign: campaign_id)
        end

        # Campaigns of one or many clients, those that run or come before those that are over, with how many of their
        # posts stand where, as far as the reader sees them.
        # @return [Array<Hash>]
        def listed(scope, today, limit:)
          over = Sequel.lit("last_day < ?", today)
          scope
            .rows(:campaigns)
            .order(Sequel.function(:coalesce, over, false), Sequel.asc(:first_day, nulls: :last), :name)
            .limit(limit)
            .select(:workspace_id, :id, :name, :first_day, :last_day, :goal, :budget, :currency)
            .all
        end

        # @param ids [Array<String>]
        # @return [Hash{String=>Hash{String=>Integer}}] campaign => stage => posts
        def stages(scope, ids)
          posts = Posts::Visible.narrow(scope, scope.rows(:posts)).where(Sequel[:posts][:campaign_id] => ids)
          found = posts.group_and_count(Sequel[:posts][:campaign_id], Sequel[:posts][:stage]).all
          found
            .group_by { |row| row[:campaign_id] }
            .transform_values { |rows| rows.to_h { |row| row.values_at(:stage, :count) } }
        end
      end
    end
  end
end
