# frozen_string_literal: true

require_relative "../client_table"

# Workers beside the dispatchers: whatever happens later but for the sending is theirs. Looking whether a post is there
# stays with the dispatchers, in a queue of its own.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE workers (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) <= 200),
        started_at timestamptz NOT NULL,
        beat_at timestamptz NOT NULL,
        stopped_at timestamptz
      );
      CREATE INDEX workers_running ON workers (beat_at) WHERE stopped_at IS NULL;
      GRANT SELECT ON workers TO ask_first_web;
      GRANT SELECT, INSERT, UPDATE, DELETE ON workers TO ask_first_jobs;

      UPDATE que_jobs SET queue = 'dispatch' WHERE job_class = 'AskFirst::Jobs::VerifyShowing';

      -- whether work has been due for workers since a moment: nothing of the work itself is told
      CREATE FUNCTION later_work_waits(before timestamptz) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER
        SET search_path = public, pg_temp AS $$
        SELECT EXISTS (
          SELECT FROM que_jobs
          WHERE queue = 'default' AND run_at < before AND error_count = 0 AND finished_at IS NULL AND expired_at IS NULL)
      $$;
      REVOKE ALL ON FUNCTION later_work_waits(timestamptz) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION later_work_waits(timestamptz) TO ask_first_web, ask_first_jobs;

      -- when reading a file passed a limit: it is not read again
      ALTER TABLE media ADD COLUMN harmful_at timestamptz;
      GRANT UPDATE (harmful_at) ON media TO ask_first_web, ask_first_jobs;

      ALTER TABLE notices DROP CONSTRAINT notices_kind_check,
        ADD CONSTRAINT notices_kind_check
          CHECK (kind IN ('asked', 'task', 'answered', 'late', 'talk', 'mention', 'idea', 'material', 'trouble'));

      -- mails that could not be read, and feeds whose reading passed a limit
      ALTER TABLE mail_replies DROP CONSTRAINT mail_replies_outcome_check;
      ALTER TABLE mail_replies ADD CONSTRAINT mail_replies_outcome_check CHECK (outcome IN
        ('said', 'empty', 'automatic', 'elsewhere', 'forged', 'too_long', 'over', 'too_many', 'unreadable'));
      ALTER TABLE feeds DROP CONSTRAINT feeds_state_check;
      ALTER TABLE feeds ADD CONSTRAINT feeds_state_check CHECK (state IN
        ('new', 'fine', 'private', 'silent', 'broken', 'refused', 'gone', 'nobody', 'harmful'));

      -- PINs for new devices of guests are counted for each person of a client, whatever link and device they come by
      CREATE TABLE guest_pins (
        workspace_id uuid NOT NULL,
        person_id uuid NOT NULL,
        mails int NOT NULL DEFAULT 0 CHECK (mails >= 0),
        mailed_at timestamptz,
        wrong int NOT NULL DEFAULT 0 CHECK (wrong >= 0),
        wrong_at timestamptz,
        PRIMARY KEY (workspace_id, person_id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );
      GRANT SELECT, INSERT, UPDATE ON guest_pins TO ask_first_web;
      GRANT SELECT ON guest_pins TO ask_first_jobs;
      ALTER TABLE guest_visits DROP COLUMN pins_sent;
    SQL
    AskFirst::Store::ClientTable.add(self, :guest_pins)
  end
end
