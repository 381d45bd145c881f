# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # What Core::Dispatch::Stopped looks at, of many adaptations at once.
      module Stops
        OF = <<~SQL
          SELECT a.id,
            (SELECT max(opened_at) FROM openings o
              WHERE (o.workspace_id, o.adaptation_id) = (a.workspace_id, a.id)) AS opened_at,
            (SELECT CASE WHEN taken_back THEN ended_at END FROM releases r
              WHERE (r.workspace_id, r.adaptation_id) = (a.workspace_id, a.id)
              ORDER BY released_at DESC, id DESC LIMIT 1) AS taken_back_at,
            (SELECT max(given_at) FROM answers n
              WHERE (n.workspace_id, n.adaptation_id) = (a.workspace_id, a.id) AND verdict = 'yes' AND eligible) AS yes_at
          FROM adaptations a WHERE a.workspace_id = :w AND a.id = ANY(:ids)
        SQL
        private_constant :OF

        module_function

        # @param scope [Scope] of one workspace
        # @param adaptation_ids [Array<String>]
        # @return [Hash{String=>Core::Dispatch::Stopped::Facts}] by adaptation
        def of(scope, adaptation_ids)
          scope
            .db
            .fetch(OF, w: scope.workspace_id, ids: Database.uuids(adaptation_ids))
            .to_h { |row| [row[:id], Core::Dispatch::Stopped::Facts.new(**row.except(:id))] }
        end
      end
    end
  end
end
