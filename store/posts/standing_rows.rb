# frozen_string_literal: true

require "json"

module AskFirst
  module Store
    module Posts
      # Everything that the standing of posts hangs on, in one round trip: one prepared statement gives all row sets
      # as JSON.
      # Twenty small queries took four times as long, most of it spent on going to and fro (docs/performance.md).
      class StandingRows
        SQL = <<~SQL.freeze
          json_build_object(
            'workspace', (SELECT row_to_json(t) FROM (SELECT id, name, zone, time_policy, tracking, currency FROM workspaces WHERE id = :w) t),
            'posts', (SELECT json_agg(t) FROM (SELECT * FROM posts WHERE workspace_id = :w AND id = ANY(:p)) t),
            'parts', (SELECT json_agg(t) FROM (SELECT * FROM parts WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'adaptations', (SELECT json_agg(t) FROM (SELECT * FROM adaptations WHERE workspace_id = :w AND post_id = ANY(:p) AND removed_at IS NULL) t),
            'channels', (SELECT json_agg(t) FROM (SELECT id, network, name, initials, account, micropub, card, state, position, archived_at FROM channels WHERE workspace_id = :w) t),
            'campaigns', (SELECT json_agg(t) FROM (
              SELECT id, name FROM campaigns WHERE workspace_id = :w AND id IN (SELECT campaign_id FROM posts WHERE workspace_id = :w AND id = ANY(:p))) t),
            'spellings', (SELECT json_agg(t) FROM (
              SELECT m.name, s.network, s.spelling FROM mentions m JOIN mention_spellings s ON (s.workspace_id, s.mention_id) = (m.workspace_id, m.id)
              WHERE m.workspace_id = :w) t),
            'media', (SELECT json_agg(t) FROM (
              SELECT id, width, height, kind, duration_ms, mime FROM media WHERE workspace_id = :w AND id IN (
                #{media = <<~MEDIA.chomp}
                  SELECT jsonb_array_elements_text(value)::uuid FROM parts WHERE workspace_id = :w AND post_id = ANY(:p) AND part = 'media'
                  UNION SELECT (value #>> '{card,picture}')::uuid FROM parts WHERE workspace_id = :w AND post_id = ANY(:p) AND part = 'link'
                MEDIA
              )) t),
            'renditions', (SELECT json_agg(t) FROM (SELECT id, media_id, spec, digest FROM renditions WHERE workspace_id = :w AND media_id IN (#{media})) t),
            'steps', (SELECT json_agg(t) FROM (
              SELECT s.*, r.is_default AS today, ARRAY(
                SELECT p.person_id FROM route_step_people p JOIN memberships m ON (m.workspace_id, m.person_id) = (p.workspace_id, p.person_id) AND m.ended_at IS NULL
                WHERE (p.workspace_id, p.step_id) = (s.workspace_id, s.id) ORDER BY p.person_id) AS people
              FROM route_steps s JOIN routes r ON (r.workspace_id, r.id) = (s.workspace_id, s.route_id)
              WHERE s.workspace_id = :w AND (r.is_default OR s.id IN (
                SELECT a.step_id FROM asks a JOIN ask_lines l ON (l.workspace_id, l.ask_id) = (a.workspace_id, a.id) WHERE l.workspace_id = :w AND l.post_id = ANY(:p)))) t),
            'asked', (SELECT json_agg(t) FROM (
              SELECT l.post_id, o.adaptation_id, l.id AS line_id, l.ask_id, a.step_id, a.order_no, v.fingerprint, v.wall, v.zone, v.authors, v.channel_id, a.asked_at, a.due_at, o.ended_as,
                ARRAY(SELECT person_id FROM ask_places WHERE (workspace_id, ask_id) = (a.workspace_id, a.id) ORDER BY number) AS places,
                ARRAY(SELECT person_id FROM ask_people WHERE (workspace_id, ask_id) = (a.workspace_id, a.id) ORDER BY person_id) AS people
              FROM ask_lines l
              JOIN ask_line_adaptations o ON (o.workspace_id, o.line_id) = (l.workspace_id, l.id)
              JOIN revision_adaptations v ON (v.workspace_id, v.id) = (o.workspace_id, o.revision_adaptation_id)
              JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id)
              WHERE l.workspace_id = :w AND l.post_id = ANY(:p)) t),
            'answers', (SELECT json_agg(t) FROM (SELECT * FROM answers WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'rulings', (SELECT json_agg(t) FROM (SELECT * FROM rulings WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'openings', (SELECT json_agg(t) FROM (SELECT * FROM openings WHERE workspace_id = :w AND post_id = ANY(:p) AND closed_at IS NULL) t),
            'ready', (SELECT json_agg(t) FROM (SELECT * FROM ready_marks WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'people', (SELECT json_agg(t) FROM (
              SELECT p.id, p.name, m.side, m.limited, m.ended_at, m.access_until,
                ARRAY(SELECT channel_id FROM membership_channels WHERE (workspace_id, membership_id) = (m.workspace_id, m.id)) AS channels
              FROM memberships m JOIN people p ON p.id = m.person_id WHERE m.workspace_id = :w) t),
            'tasks', (SELECT json_agg(t) FROM (SELECT post_id, person_id FROM tasks WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'holds', (SELECT json_agg(t) FROM (SELECT * FROM holds WHERE workspace_id = :w AND lifted_at IS NULL) t),
            'showings', (SELECT json_agg(t) FROM (SELECT * FROM showings WHERE workspace_id = :w AND post_id = ANY(:p)) t),
            'releases', (SELECT json_agg(t) FROM (
              SELECT r.*, v.request, v.rendition_ids, v.revision_id FROM releases r
              JOIN revision_adaptations v ON (v.workspace_id, v.id) = (r.workspace_id, r.revision_adaptation_id)
              WHERE r.workspace_id = :w AND r.post_id = ANY(:p) AND r.ended_at IS NULL) t)
          )::text AS rows
        SQL
        # For one post by its id alone: PostgreSQL then keeps its plan. With a list it plans anew each time, since it
        # cannot tell how long the list will be, and planning takes longer than reading.
        ONE = SQL.gsub("= ANY(:p)", "= :p").freeze
        # columns that are moments; a wall time comes without a zone and is carried in a UTC value
        MOMENT = /(?:\A|_)(?:at|until)\z/

        # @return [Hash{Symbol=>Array<Hash>}] row sets by name, columns as symbols; :workspace is one row
        def self.fetch(db, workspace_id, post_ids)
          sets =
            JSON.parse(
              (post_ids.one? ? one(db, workspace_id, post_ids.first) : several(db, workspace_id, post_ids))[:rows]
            )
          sets.to_h do |name, rows|
            [name.to_sym, rows.is_a?(Hash) ? rows.transform_keys(&:to_sym) : (rows || []).map { |row| convert(row) }]
          end
        end

        def self.one(db, workspace_id, post_id)
          db.select(Sequel.lit(ONE, w: :$w, p: :$p)).prepare(:first, :post_standing).call(w: workspace_id, p: post_id)
        end

        def self.several(db, workspace_id, post_ids)
          db
            .select(Sequel.lit(SQL, w: :$w, p: :$p))
            .prepare(:first, :posts_standing)
            .call(w: workspace_id, p: Database.uuids(post_ids))
        end

        # What a column's values are, looked at once for each name.
        Column = Struct.new(:name, :reads, keyword_init: true)
        COLUMNS = Hash.new { |known, column| known[column] = column_of(column) }

        def self.column_of(column)
          reads = ->(value) { Time.iso8601("#{value}Z") } if column == "wall"
          reads = ->(value) { Time.iso8601(value).utc } if MOMENT.match?(column)
          Column.new(name: column.to_sym, reads: reads)
        end

        def self.convert(row)
          row.each_with_object({}) do |(name, value), found|
            column = COLUMNS[name]
            found[column.name] = column.reads && value.is_a?(String) ? column.reads.call(value) : value
          end
        end
        private_class_method :one, :several, :convert, :column_of
        private_constant :Column, :COLUMNS
      end
    end
  end
end
