# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What the plan of one or many clients can be narrowed to: their channels, labels and campaigns, and whose posts
      # they are. A member who is limited to channels finds only these.
      module Choices
        SETS =
          RowSets.new(
            :plan_choices,
            channels: <<~SQL,
              SELECT c.workspace_id, c.id, c.network, c.initials, c.name, EXISTS (
                SELECT 1 FROM channels_off o WHERE (o.workspace_id, o.channel_id) = (c.workspace_id, c.id) AND o.person_id = :me
              ) AS off
              FROM channels c WHERE c.workspace_id = ANY(:w) AND c.archived_at IS NULL ORDER BY c.position
            SQL
            labels: <<~SQL,
              SELECT workspace_id, id, name, colour, initials, parent_id, (
                SELECT coalesce(json_agg(m.id), '[]') FROM labels m WHERE (m.workspace_id, m.merged_into) = (l.workspace_id, l.id)
              ) AS merged
              FROM labels l WHERE workspace_id = ANY(:w) AND merged_into IS NULL ORDER BY lower(name)
            SQL
            campaigns: "SELECT workspace_id, id, name FROM campaigns WHERE workspace_id = ANY(:w) ORDER BY lower(name)",
            people: <<~SQL
              SELECT DISTINCT p.id, p.name FROM memberships m JOIN people p ON p.id = m.person_id
              WHERE m.workspace_id = ANY(:w) AND m.side = 'agency' AND m.ended_at IS NULL ORDER BY p.name
            SQL
          )
        private_constant :SETS

        # @param scope [Scope]
        # @return [Hash{Symbol=>Array<Hash>}] :channels, :labels, :campaigns, :people
        def self.of(scope)
          found = SETS.fetch(scope.db, w: Database.uuids(scope.workspace_ids), me: scope.person_id)
          found.merge(channels: found[:channels].select { |row| sees?(scope, row) })
        end

        def self.sees?(scope, row)
          limits = scope.limits[row[:workspace_id]]
          limits.nil? || limits.include?(row[:id])
        end
        private_class_method :sees?
      end
    end
  end
end
