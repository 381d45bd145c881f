# frozen_string_literal: true

# A block whose giver has left can be set aside, as a ruling of its own. A post that waits for nobody is found by a
# column. What goes out with a file whose right of use has ended: whether that stops it is the client's own rule, and
# whoever released it is told a day before and at once.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE rulings DROP CONSTRAINT rulings_kind_check,
        ADD CONSTRAINT rulings_kind_check CHECK (kind IN ('skip', 'drop', 'strike', 'fill', 'set_aside')),
        ADD CONSTRAINT rulings_set_aside_of_whom CHECK (kind <> 'set_aside' OR place_person_id IS NOT NULL);

      -- a route that releases by itself keeps what it releases, and is nobody
      ALTER TABLE revisions ALTER COLUMN kept_by DROP NOT NULL;

      ALTER TABLE posts ADD COLUMN waits_for_nobody boolean NOT NULL DEFAULT false;
      CREATE INDEX posts_that_wait_for_nobody ON posts (workspace_id) WHERE waits_for_nobody;
      -- looked at anew by the next worker: whoever was asked may have left since
      UPDATE posts SET changes_at = '2000-01-01' WHERE EXISTS (
        SELECT FROM ask_lines l WHERE (l.workspace_id, l.post_id) = (posts.workspace_id, posts.id) AND l.ended_at IS NULL);
      CREATE INDEX posts_that_time_changes ON posts (changes_at) WHERE changes_at IS NOT NULL;

      ALTER TABLE workspaces ADD COLUMN stops_without_right boolean NOT NULL DEFAULT false;

      ALTER TABLE releases ADD COLUMN right_told text CHECK (right_told IN ('ahead', 'ended'));
    SQL
