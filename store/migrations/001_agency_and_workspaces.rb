# frozen_string_literal: true

# The agency, its people, the client workspaces and who is a member where, with which role, on which side.
Sequel.migration { up { run <<~SQL } }
      CREATE EXTENSION IF NOT EXISTS citext;

      CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'rows of % are never changed or removed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
      END $$;

      CREATE TABLE agencies (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        zone text NOT NULL,
        created_at timestamptz NOT NULL
      );

      -- A person signs in once for the whole installation; what they may do hangs on their memberships.
      CREATE TABLE people (
        id uuid PRIMARY KEY,
        agency_id uuid NOT NULL REFERENCES agencies,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        email citext NOT NULL UNIQUE CHECK (email ~ '^[^@[:space:]]+@[^@[:space:]]+$'),
        zone text NOT NULL,
        status_id int NOT NULL DEFAULT 2,
        created_at timestamptz NOT NULL
      );

      -- The client side's ceiling: no edit of a role lifts it.
      CREATE TABLE roles (
        id uuid PRIMARY KEY,
        agency_id uuid NOT NULL REFERENCES agencies,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        side text NOT NULL CHECK (side IN ('agency', 'client')),
        abilities text[] NOT NULL,
        UNIQUE (agency_id, name),
        UNIQUE (id, side),
        CHECK (side = 'agency' OR abilities <@ ARRAY['see_shared', 'answer_client', 'see_results'])
      );

      CREATE TABLE workspaces (
        id uuid PRIMARY KEY,
        agency_id uuid NOT NULL REFERENCES agencies,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        mark text NOT NULL CHECK (length(mark) BETWEEN 1 AND 4),
        edge text NOT NULL CHECK (edge ~ '^#[0-9A-F]{6}$'),
        zone text NOT NULL,
        week_start smallint NOT NULL CHECK (week_start IN (0, 1)),
        time_policy text NOT NULL DEFAULT 'local_date' CHECK (time_policy IN ('never', 'local_date', 'always')),
        created_at timestamptz NOT NULL
      );

      CREATE TABLE memberships (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        person_id uuid NOT NULL REFERENCES people,
        side text NOT NULL,
        role_id uuid NOT NULL,
        title text NOT NULL DEFAULT '',
        since timestamptz NOT NULL,
        ended_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, person_id),
        FOREIGN KEY (role_id, side) REFERENCES roles (id, side)
      );
      CREATE INDEX memberships_person ON memberships (person_id) WHERE ended_at IS NULL;

      CREATE FUNCTION keep_side() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'a membership never changes its side' USING ERRCODE = 'restrict_violation';
      END $$;
      CREATE TRIGGER memberships_keep_side BEFORE UPDATE OF side ON memberships
        FOR EACH ROW WHEN (OLD.side IS DISTINCT FROM NEW.side) EXECUTE FUNCTION keep_side();

      CREATE TABLE channels (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        network text NOT NULL,
        name text NOT NULL,
        initials text NOT NULL CHECK (length(initials) BETWEEN 1 AND 3),
        account text NOT NULL,
        micropub text NOT NULL,
        card jsonb NOT NULL,
        token bytea,
        state text NOT NULL CHECK (state IN ('connected', 'lapsed')),
        position int NOT NULL,
        created_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, account),
        CHECK (state <> 'connected' OR token IS NOT NULL)
      );
    SQL
