# frozen_string_literal: true

# A database knows that it was brought back from a backup: by the cluster that it lay in, and by marks that only grow,
# the highest of which is also kept outside it. What was not out yet then is unconfirmed: it may have gone out, been
# taken back or changed since.
Sequel.migration { up { run <<~SQL } }
      -- one row: where this database comes from
      CREATE TABLE lineage (
        only_one boolean PRIMARY KEY DEFAULT true CHECK (only_one),
        id uuid NOT NULL DEFAULT gen_random_uuid(), -- the same in every copy of it
        cluster text                                -- the server's own identifier; NULL: nothing has run on it yet
      );
      INSERT INTO lineage DEFAULT VALUES;

      -- the last mark of each process: rows of their own, so that processes do not wait for each other, and rows, since a dump
      -- reads sequences later than the rest
      CREATE TABLE marks (
        process uuid PRIMARY KEY,
        mark bigint NOT NULL CHECK (mark > 0),
        at timestamptz NOT NULL
      );
      CREATE SEQUENCE mark_numbers AS bigint;

      CREATE TABLE returns (
        agency_id uuid NOT NULL REFERENCES agencies,
        id uuid NOT NULL,
        why text NOT NULL CHECK (why IN ('restored', 'other_server', 'older', 'no_mark')),
        known_until timestamptz, -- what this database knows ends here
        noticed_at timestamptz NOT NULL,
        looked_at timestamptz,
        looked_by uuid REFERENCES people,
        PRIMARY KEY (agency_id, id),
        CHECK ((looked_at IS NULL) = (looked_by IS NULL))
      );
      CREATE INDEX returns_open ON returns (agency_id) WHERE looked_at IS NULL;

      ALTER TABLE showings
        ADD COLUMN unconfirmed_at timestamptz, -- when it was noticed that it may have moved on since
        ADD COLUMN network_said text CHECK (network_said IN ('not_there', 'cannot_ask')), -- asked since then; NULL: not yet
        ADD COLUMN ask_at timestamptz, -- when its network is asked (again); NULL: it is not
        ADD CONSTRAINT showings_unconfirmed CHECK (unconfirmed_at IS NOT NULL OR (network_said IS NULL AND ask_at IS NULL)),
        ADD CONSTRAINT showings_out_confirmed CHECK (state <> 'out' OR unconfirmed_at IS NULL);
      CREATE INDEX showings_unconfirmed_first ON showings (workspace_id, id) WHERE unconfirmed_at IS NOT NULL;
      CREATE INDEX showings_to_ask ON showings (ask_at) WHERE ask_at IS NOT NULL;

      -- found at its network, or seen there by a person
      INSERT INTO showing_moves VALUES ('planned', 'out');

      -- released again by somebody who could know: its network is asked (again)
      CREATE OR REPLACE FUNCTION keep_showing_due() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF NEW.ended_at IS NULL THEN
          UPDATE showings SET due_at = NEW.at, ask_at = CASE WHEN unconfirmed_at IS NOT NULL THEN NEW.released_at END
            WHERE (workspace_id, id) = (NEW.workspace_id, NEW.showing_id) AND state = 'planned';
        ELSE
          UPDATE showings SET due_at = NULL, ask_at = NULL WHERE (workspace_id, id) = (NEW.workspace_id, NEW.showing_id) AND state = 'planned';
        END IF;
        RETURN NULL;
      END $$;

      GRANT SELECT ON lineage, marks, returns TO ask_first_web, ask_first_jobs;
      GRANT INSERT, UPDATE, DELETE ON marks TO ask_first_web, ask_first_jobs;
      GRANT USAGE ON SEQUENCE mark_numbers TO ask_first_web, ask_first_jobs;
      GRANT UPDATE ON SEQUENCE mark_numbers TO ask_first_web, ask_first_jobs;
      GRANT UPDATE (cluster) ON lineage TO ask_first_jobs;
      GRANT INSERT ON returns TO ask_first_jobs;
      GRANT UPDATE (looked_at, looked_by) ON returns TO ask_first_web;
    SQL
