# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Everything that the standing of posts hangs on, in one round trip.
      class PostRows
        # the files of the posts' parts, and the pictures of their links
        MEDIA = <<~SQL
          SELECT jsonb_array_elements_text(value)::uuid FROM parts
            WHERE workspace_id = :w AND post_id = ANY(:p) AND part = 'media'
          UNION SELECT (value #>> '{card,picture}')::uuid FROM parts
            WHERE workspace_id = :w AND post_id = ANY(:p) AND part = 'link'
        SQL
        SETS = {
          workspaces: <<~SQL,
            SELECT id, name, zone, time_policy, tracking, currency, working_hours, holidays, stops_without_right
            FROM workspaces WHERE id = :w
          SQL
          posts: "SELECT * FROM posts WHERE workspace_id = :w AND id = ANY(:p)",
          parts: "SELECT * FROM parts WHERE workspace_id = :w AND post_id = ANY(:p)",
          adaptations: "SELECT * FROM adaptations WHERE workspace_id = :w AND post_id = ANY(:p) AND removed_at IS NULL",
          channels: <<~SQL,
            SELECT id, network, name, initials, account, micropub, card, state, position, archived_at
            FROM channels WHERE workspace_id = :w
          SQL
          campaigns: <<~SQL,
            SELECT id, name, route_id FROM campaigns WHERE workspace_id = :w
              AND id IN (SELECT campaign_id FROM posts WHERE workspace_id = :w AND id = ANY(:p))
          SQL
          spellings: <<~SQL,
            SELECT m.name, s.network, s.spelling FROM mentions m
            JOIN mention_spellings s ON (s.workspace_id, s.mention_id) = (m.workspace_id, m.id)
            WHERE m.workspace_id = :w
          SQL
          media: <<~SQL,
            SELECT id, name, mime, kind, width, height, duration_ms, pages, added_by, usable_until AS usable_to, covered FROM media
            WHERE workspace_id = :w AND id IN (#{MEDIA})
          SQL
          renditions:
            "SELECT id, media_id, spec, digest FROM renditions WHERE workspace_id = :w AND media_id IN (#{MEDIA})",
          steps: <<~SQL,
            SELECT s.*, #{Signoff::Routes::PEOPLE} AS people, #{Signoff::Routes::ROLES} AS roles
            FROM route_steps s
            WHERE s.workspace_id = :w AND (s.retired_at IS NULL OR s.id IN (
              SELECT a.step_id FROM asks a JOIN ask_lines l ON (l.workspace_id, l.ask_id) = (a.workspace_id, a.id)
              WHERE l.workspace_id = :w AND l.post_id = ANY(:p)))
          SQL
          routes: "SELECT id, name, is_default, releases_itself, locks_time FROM routes WHERE workspace_id = :w",
          # with those that they stand below, and those that were merged into them
          labels: <<~SQL,
            SELECT o.post_id, l.id AS label_id, l.parent_id, ARRAY(SELECT id FROM labels
              WHERE workspace_id = l.workspace_id AND merged_into IN (l.id, l.parent_id)) AS merged
            FROM post_labels o JOIN labels l ON (l.workspace_id, l.id) = (o.workspace_id, o.label_id)
            WHERE o.workspace_id = :w AND o.post_id = ANY(:p)
          SQL
          asked: <<~SQL,
            SELECT l.post_id, o.adaptation_id, l.id AS line_id, l.ask_id, a.step_id, a.order_no, v.fingerprint,
              v.wall, v.zone, v.authors, v.channel_id, a.asked_at, a.due_at, o.ended_as,
              ARRAY(SELECT person_id FROM ask_places
                WHERE (workspace_id, ask_id) = (a.workspace_id, a.id) ORDER BY number) AS places,
              ARRAY(SELECT person_id FROM ask_people
                WHERE (workspace_id, ask_id) = (a.workspace_id, a.id) ORDER BY person_id) AS people
            FROM ask_lines l
            JOIN ask_line_adaptations o ON (o.workspace_id, o.line_id) = (l.workspace_id, l.id)
            JOIN revision_adaptations v ON (v.workspace_id, v.id) = (o.workspace_id, o.revision_adaptation_id)
            JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id)
            WHERE l.workspace_id = :w AND l.post_id = ANY(:p)
          SQL
          answers: "SELECT * FROM answers WHERE workspace_id = :w AND post_id = ANY(:p)",
          rulings: "SELECT * FROM rulings WHERE workspace_id = :w AND post_id = ANY(:p)",
          openings: "SELECT * FROM openings WHERE workspace_id = :w AND post_id = ANY(:p) AND closed_at IS NULL",
          ready: "SELECT * FROM ready_marks WHERE workspace_id = :w AND post_id = ANY(:p)",
          people: <<~SQL,
            SELECT p.id, p.name, m.side, m.limited, m.ended_at, m.access_until, r.abilities,
              ARRAY(SELECT channel_id FROM membership_channels
                WHERE (workspace_id, membership_id) = (m.workspace_id, m.id)) AS channels
            FROM memberships m JOIN people p ON p.id = m.person_id JOIN roles r ON r.id = m.role_id
            WHERE m.workspace_id = :w
          SQL
          tasks: "SELECT post_id, person_id FROM tasks WHERE workspace_id = :w AND post_id = ANY(:p)",
          holds: "SELECT * FROM holds WHERE workspace_id = :w AND lifted_at IS NULL",
          showings: "SELECT * FROM showings WHERE workspace_id = :w AND post_id = ANY(:p)",
          releases: <<~SQL
            SELECT r.*, v.request, v.rendition_ids, v.revision_id FROM releases r
            JOIN revision_adaptations v ON (v.workspace_id, v.id) = (r.workspace_id, r.revision_adaptation_id)
            WHERE r.workspace_id = :w AND r.post_id = ANY(:p) AND r.ended_at IS NULL
          SQL
        }.freeze
        SEVERAL = RowSets.new(:posts_standing, SETS)
        # For one post by its id alone: PostgreSQL then keeps its plan. With a list it plans anew each time, since it
        # cannot tell how long the list will be, and planning takes longer than reading.
        ONE = RowSets.new(:post_standing, SETS.transform_values { |sql| sql.gsub("= ANY(:p)", "= :p") })
        private_constant :MEDIA, :SETS, :SEVERAL, :ONE

        # @return [Hash{Symbol=>Array<Hash>}] row sets by name; :workspace is one row
        def self.fetch(db, workspace_id, post_ids)
          sets =
            if post_ids.one?
              ONE.fetch(db, w: workspace_id, p: post_ids.first)
            else
              SEVERAL.fetch(db, w: workspace_id, p: Database.uuids(post_ids))
            end
          sets.merge(workspace: sets[:workspaces].first || {})
        end
      end
    end
  end
end
