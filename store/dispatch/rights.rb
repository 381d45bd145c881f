# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # What is released and goes out with files whose right of use ends before it does.
      module Rights
        # one day later than any clock on earth shows: the core decides by the client's own calendar
        ENDING = <<~SQL
          SELECT r.workspace_id, r.id, r.post_id, r.released_by, r.right_told, r.at, w.zone, w.stops_without_right,
            p.subject, p.owner_id, m.name, m.usable_until
          FROM releases r
          JOIN showings s ON (s.workspace_id, s.id) = (r.workspace_id, r.showing_id) AND s.state IN ('planned', 'by_hand')
          JOIN workspaces w ON w.id = r.workspace_id AND w.archived_at IS NULL AND w.deleted_at IS NULL
          JOIN posts p ON (p.workspace_id, p.id) = (r.workspace_id, r.post_id)
          JOIN revision_adaptations v ON (v.workspace_id, v.id) = (r.workspace_id, r.revision_adaptation_id)
          JOIN renditions o ON o.workspace_id = r.workspace_id AND o.id = ANY(v.rendition_ids)
          JOIN media m ON (m.workspace_id, m.id) = (o.workspace_id, o.media_id)
          WHERE r.ended_at IS NULL AND r.right_told IS DISTINCT FROM 'ended'
            AND m.usable_until < r.at::date + 1 AND m.usable_until <= CAST(:now AS timestamptz)::date + 2
          ORDER BY r.at, m.name
        SQL
        private_constant :ENDING

        module_function

        # @param db [Sequel::Database] of our own process
        # @param now [Time]
        # @return [Array<Hash>] one row a release and file
        def ending(db, now) = db.fetch(ENDING, now: now).all

        # Notes that it was told, once for each kind.
        # @param kind [String] ahead or ended
        # @return [Boolean] false: it was told before, or the release has ended
        def told(scope, release_id, kind)
          before = Sequel.|({ right_told: nil }, Sequel.~(right_told: kind))
          scope.rows(:releases).where(id: release_id, ended_at: nil).where(before).update(right_told: kind).positive?
        end
      end
    end
  end
end
