# frozen_string_literal: true

# What the dispatcher looks at is a row and no job: when to look at each showing next, which try it is at, who sends
# it. The moves between the states are guarded by the database. Each dispatcher has a beat of its own.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE showings
        ADD COLUMN due_at timestamptz,          -- when the dispatcher looks at it next; NULL: there is nothing to do
        ADD COLUMN try_no bigint NOT NULL DEFAULT 0, -- counts the claims and never falls
        ADD COLUMN sender uuid,                 -- the dispatcher that holds the lease
        ADD COLUMN over_at timestamptz,         -- when a try that may have arrived was surely over
        ADD COLUMN looks int NOT NULL DEFAULT 0 CHECK (looks >= 0), -- how often the network has said since that it is not there
        ADD COLUMN preparing_until timestamptz, -- somebody is bringing its files up
        ADD COLUMN fault text NOT NULL DEFAULT '' CHECK (length(fault) <= 2000); -- what stood in the way of it last, while it is tried again

      UPDATE showings SET sender = gen_random_uuid(), due_at = lease_until, over_at = lease_until WHERE state = 'sending';
      UPDATE showings SET due_at = coalesce(next_look_at, now()), over_at = coalesce(next_look_at, now()) WHERE state = 'unclear';
      UPDATE showings SET due_at = releases.at FROM releases
        WHERE (releases.workspace_id, releases.showing_id) = (showings.workspace_id, showings.id) AND releases.ended_at IS NULL AND showings.state = 'planned';
      UPDATE showings SET try_no = tries;
      ALTER TABLE showings DROP COLUMN next_look_at;
      ALTER TABLE showings
        ADD CONSTRAINT showings_sender CHECK ((state = 'sending') = (sender IS NOT NULL)),
        ADD CONSTRAINT showings_due CHECK (
          CASE WHEN state IN ('sending', 'unclear') THEN due_at IS NOT NULL WHEN state = 'planned' THEN true ELSE due_at IS NULL END),
        ADD CONSTRAINT showings_over CHECK ((state IN ('sending', 'unclear')) <= (over_at IS NOT NULL));
      CREATE INDEX showings_due_first ON showings (due_at) WHERE due_at IS NOT NULL;
      CREATE INDEX showings_of_sender ON showings (sender) WHERE sender IS NOT NULL;
      CREATE INDEX showings_with_fault ON showings (workspace_id) WHERE fault <> '';

      -- the same table as Core::Dispatch::Moves, said a second time: no other change of state, and no try that falls
      CREATE TABLE showing_moves (from_state text NOT NULL, to_state text NOT NULL, PRIMARY KEY (from_state, to_state));
      INSERT INTO showing_moves VALUES
        ('by_hand', 'by_hand'), ('by_hand', 'out'), ('by_hand', 'planned'), ('out', 'trouble'), ('planned', 'by_hand'), ('planned', 'planned'),
        ('planned', 'sending'), ('planned', 'trouble'), ('sending', 'out'), ('sending', 'planned'), ('sending', 'trouble'), ('sending', 'unclear'),
        ('trouble', 'out'), ('trouble', 'planned'), ('unclear', 'out'), ('unclear', 'planned'), ('unclear', 'sending'), ('unclear', 'trouble'), ('unclear', 'unclear');
      GRANT SELECT ON showing_moves TO ask_first_web, ask_first_jobs;

      CREATE FUNCTION guard_showing() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF NOT EXISTS (SELECT FROM showing_moves WHERE from_state = OLD.state AND to_state = NEW.state) AND OLD.state <> NEW.state THEN
          RAISE EXCEPTION 'a showing does not move from % to %', OLD.state, NEW.state USING ERRCODE = 'check_violation', CONSTRAINT = 'showing_moves';
        END IF;
        IF NEW.try_no < OLD.try_no THEN
          RAISE EXCEPTION 'the try of a showing does not fall' USING ERRCODE = 'check_violation', CONSTRAINT = 'showing_try';
        END IF;
        RETURN NEW;
      END $$;
      CREATE TRIGGER showings_guard BEFORE UPDATE OF state, try_no ON showings FOR EACH ROW EXECUTE FUNCTION guard_showing();

      -- a planned showing is due when its live release says so, whoever wrote the release
      CREATE FUNCTION keep_showing_due() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF NEW.ended_at IS NULL THEN
          UPDATE showings SET due_at = NEW.at WHERE (workspace_id, id) = (NEW.workspace_id, NEW.showing_id) AND state = 'planned';
        ELSE
          UPDATE showings SET due_at = NULL WHERE (workspace_id, id) = (NEW.workspace_id, NEW.showing_id) AND state = 'planned';
        END IF;
        RETURN NULL;
      END $$;
      CREATE TRIGGER releases_due_kept AFTER INSERT OR UPDATE OF at, ended_at ON releases FOR EACH ROW EXECUTE FUNCTION keep_showing_due();

      -- when the network last said its rules
      ALTER TABLE channels ADD COLUMN card_at timestamptz;

      -- a renewal that is under way, and how many have been begun since the last one that was kept
      ALTER TABLE connections ADD COLUMN renewing_until timestamptz, ADD COLUMN renewals int NOT NULL DEFAULT 0;

      DROP TABLE dispatcher_beats;
      CREATE TABLE dispatchers (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 200), -- machine and process, for people
        started_at timestamptz NOT NULL,
        beat_at timestamptz NOT NULL,
        clock_gap numeric NOT NULL,
        stopped_at timestamptz
      );
      CREATE INDEX dispatchers_running ON dispatchers (beat_at) WHERE stopped_at IS NULL;
      GRANT SELECT ON dispatchers TO ask_first_web;
      GRANT SELECT, INSERT, UPDATE, DELETE ON dispatchers TO ask_first_jobs;

      DELETE FROM que_jobs WHERE job_class = 'AskFirst::Jobs::AdvanceShowing';
    SQL
