# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # What the post sheet reads beside a post's standing, in one round trip for all the blocks that are wanted.
      class SheetRows
        ANSWERS = 60 # the latest that are shown
        CAMPAIGNS = 200 # the latest that can be chosen

        # on the reader's channels; :c is null for who is not limited to some
        MINE = "(:c::uuid[] IS NULL OR %s = ANY(:c::uuid[]))"
        OPEN_LINES = "ask_lines l JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id)"
        OPEN = "l.workspace_id = :w AND l.post_id = :p AND l.ended_at IS NULL"
        HEAD = {
          revisions: "SELECT max(number) AS number FROM revisions WHERE workspace_id = :w AND post_id = :p",
          holds: <<~SQL
            SELECT id, channel_id, reason, put_by, put_at FROM holds
            WHERE workspace_id = :w AND lifted_at IS NULL AND (channel_id IS NULL OR #{format(MINE, "channel_id")})
          SQL
        }.freeze
        COLUMNS = {
          channels: <<~SQL,
            SELECT c.id, c.name, c.network, c.initials, c.account, c.state, c.card_refused, c.connection_id,
              #{Channels::Conditions::CONNECTION}
            FROM #{Channels::Conditions::CHANNELS} WHERE c.workspace_id = :w AND c.archived_at IS NULL
            ORDER BY c.position
          SQL
          sets: "SELECT #{Channels::Sets::ROWS} WHERE s.workspace_id = :w ORDER BY s.name"
        }.freeze
        SIGNOFF = {
          open_lines: <<~SQL,
            SELECT l.id AS line_id, l.ask_id, a.step_id, a.asked_by, a.asked_at, a.due_at, a.message,
              ARRAY(SELECT person_id FROM ask_people
                WHERE (workspace_id, ask_id) = (l.workspace_id, l.ask_id)) AS people,
              (SELECT count(*) FROM ask_lines o
                WHERE (o.workspace_id, o.ask_id) = (l.workspace_id, l.ask_id) AND o.ended_at IS NULL) AS posts,
              (SELECT max(reminded_at) FROM ask_people
                WHERE (workspace_id, ask_id) = (l.workspace_id, l.ask_id)) AS reminded_at
            FROM #{OPEN_LINES} WHERE #{OPEN}
          SQL
          passes: <<~SQL,
            SELECT id, ask_id, person_id, expires_at FROM guest_passes
            WHERE workspace_id = :w AND revoked_at IS NULL AND ask_id IN (SELECT ask_id FROM ask_lines l WHERE #{OPEN})
          SQL
          mine: <<~SQL,
            SELECT step_id, adaptation_id, order_no, line_id FROM answers
            WHERE workspace_id = :w AND post_id = :p AND person_id = :me
          SQL
          answers: <<~SQL,
            SELECT id, line_id, adaptation_id, person_id, given_by, step_id, verdict, words, file_id, room, given_at, pass_id,
              eligible, order_no
            FROM answers WHERE workspace_id = :w AND post_id = :p AND (:c::uuid[] IS NULL OR adaptation_id IN (
              SELECT id FROM adaptations
              WHERE workspace_id = :w AND post_id = :p AND removed_at IS NULL AND channel_id = ANY(:c::uuid[])))
            ORDER BY order_no DESC LIMIT #{ANSWERS}
          SQL
          asked: <<~SQL,
            SELECT l.id AS line_id, r.number FROM ask_lines l
            JOIN revisions r ON (r.workspace_id, r.id) = (l.workspace_id, l.revision_id)
            WHERE l.workspace_id = :w AND l.post_id = :p
          SQL
          here: <<~SQL
            SELECT person_id FROM memberships WHERE workspace_id = :w AND ended_at IS NULL
              AND (access_until IS NULL OR access_until > :now)
          SQL
        }.freeze
        TASKS = { tasks: <<~SQL }.freeze
            SELECT id, kind, title, note, person_id, due_at, done_at, done_by FROM tasks
            WHERE workspace_id = :w AND post_id = :p ORDER BY due_at
          SQL

        TALK = { remarks: <<~SQL, remark_files: <<~SQL, asked_people: <<~SQL }.freeze
            SELECT r.id, r.room, r.thread_id, r.person_id, r.words, r.said_at, r.pin, r.replacement, r.decided_as,
              r.decided_by, r.settled_at, r.settled_by, r.edited_at, r.deleted_at, r.copied_from,
              (SELECT about_all FROM mail_replies
                WHERE (workspace_id, remark_id) = (r.workspace_id, r.id)) AS mail_about_all,
              ARRAY(SELECT person_id FROM remark_mentions
                WHERE (workspace_id, remark_id) = (r.workspace_id, r.id)) AS mentions
            FROM remarks r WHERE r.workspace_id = :w AND r.post_id = :p ORDER BY r.said_at, r.id
          SQL
            SELECT o.remark_id, f.id, f.name, f.bytes FROM remark_files o
            JOIN brand_files f ON (f.workspace_id, f.id) = (o.workspace_id, o.file_id)
            WHERE f.workspace_id = :w AND f.post_id = :p AND f.removed_at IS NULL
          SQL
            SELECT p.id AS person_id, p.notices, p.quiet_from, p.quiet_to, p.zone FROM people p
            WHERE p.id IN (
              SELECT m.person_id FROM ask_lines l
              JOIN asks a ON (a.workspace_id, a.id) = (l.workspace_id, l.ask_id) AND a.room = 'client'
                AND a.withdrawn_at IS NULL
              JOIN ask_people q ON (q.workspace_id, q.ask_id) = (a.workspace_id, a.id)
              JOIN memberships m ON (m.workspace_id, m.person_id) = (q.workspace_id, q.person_id) AND m.ended_at IS NULL
              WHERE l.workspace_id = :w AND l.post_id = :p
            ) ORDER BY p.name
          SQL

        AROUND = {
          labels: <<~SQL,
            SELECT n.name FROM post_labels l JOIN labels n ON (n.workspace_id, n.id) = (l.workspace_id, l.label_id)
            WHERE l.workspace_id = :w AND l.post_id = :p ORDER BY n.name
          SQL
          campaigns: <<~SQL,
            SELECT c.name FROM posts p JOIN campaigns c ON (c.workspace_id, c.id) = (p.workspace_id, p.campaign_id)
            WHERE p.workspace_id = :w AND p.id = :p
          SQL
          reminders: <<~SQL,
            SELECT r.id, r.words, t.ticked_by, t.ticked_at FROM reminders r LEFT JOIN reminder_ticks t
              ON (t.workspace_id, t.reminder_id, t.post_id) = (r.workspace_id, r.id, :p)
            WHERE r.workspace_id = :w AND r.dropped_at IS NULL ORDER BY r.position
          SQL
          known_labels:
            "SELECT id, name FROM labels WHERE workspace_id = :w AND merged_into IS NULL ORDER BY lower(name)",
          known_campaigns: "SELECT name FROM campaigns WHERE workspace_id = :w ORDER BY id DESC LIMIT #{CAMPAIGNS}"
        }.freeze
        BLOCKS = {
          "head" => HEAD,
          "columns" => COLUMNS,
          "signoff" => SIGNOFF,
          "tasks" => TASKS,
          "talk" => TALK,
          "around" => AROUND
        }.freeze
        private_constant :MINE, :OPEN_LINES, :OPEN, :HEAD, :COLUMNS, :SIGNOFF, :TASKS, :TALK, :AROUND

        # @param scope [Scope] of one workspace
        # @param blocks [Array<String>] out of BLOCKS
        # @param channel_ids [Array<String>, nil] the reader's; nil for all
        # @return [Hash{Symbol=>Array<Hash>}] the sets of these blocks
        def self.fetch(scope, post_id, blocks, channel_ids:, now:)
          wanted = BLOCKS.keys & blocks
          sets = wanted.map { |name| BLOCKS.fetch(name) }.reduce({}, :merge)
          RowSets.new(:"post_sheet_#{wanted.join("_")}", sets).fetch(
            scope.db,
            w: scope.workspace_id,
            p: post_id,
            me: scope.person_id,
            c: channel_ids && Database.uuids(channel_ids),
            now: now.utc.iso8601(6)
          )
        end
      end
    end
  end
end
