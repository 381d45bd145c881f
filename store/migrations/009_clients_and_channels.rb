# frozen_string_literal: true

# What a client workspace is set up with, its brand sheet, archive and deletion; connections by consent, channels that
# are planned or offline, channel sets; and what is published by hand.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE workspaces
        ADD COLUMN mark_picture text,
        ADD COLUMN holidays text NOT NULL DEFAULT '' CHECK (holidays ~ '^[a-z_]{0,20}$'),
        ADD COLUMN working_hours jsonb NOT NULL DEFAULT '{"1":[["09:00","18:00"]],"2":[["09:00","18:00"]],"3":[["09:00","18:00"]],"4":[["09:00","18:00"]],"5":[["09:00","18:00"]]}',
        ADD COLUMN setup_step text CHECK (setup_step IN ('days', 'route', 'channel', 'people')),
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ADD COLUMN archived_at timestamptz,
        ADD COLUMN archived_by uuid REFERENCES people,
        ADD COLUMN deleted_at timestamptz,
        ADD COLUMN deleted_by uuid REFERENCES people,
        ADD CONSTRAINT workspaces_archived_by CHECK ((archived_at IS NULL) = (archived_by IS NULL)),
        ADD CONSTRAINT workspaces_deleted_by CHECK ((deleted_at IS NULL) = (deleted_by IS NULL));

      ALTER TABLE routes ADD COLUMN preset text;

      -- One row a part, so that two people fill different parts of the sheet without meeting.
      CREATE TABLE brand_parts (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        part text NOT NULL CHECK (part IN ('colours', 'voice', 'do', 'dont', 'links', 'hashtags')),
        value jsonb NOT NULL,
        version int NOT NULL CHECK (version > 0),
        written_by uuid NOT NULL,
        written_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, part),
        FOREIGN KEY (workspace_id, written_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE TABLE brand_files (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        file text NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 255),
        mime text NOT NULL,
        bytes bigint NOT NULL CHECK (bytes > 0),
        added_by uuid NOT NULL,
        added_at timestamptz NOT NULL,
        removed_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, added_by) REFERENCES memberships (workspace_id, person_id)
      );

      -- One consent at one network, under which one or more accounts of this client are reached.
      CREATE TABLE connections (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        network_address text,
        network text NOT NULL,
        token bytea,
        refresh_token bytea,
        expires_at timestamptz,
        consent_until timestamptz,
        consent_by uuid,
        state text NOT NULL CHECK (state IN ('connected', 'lapsed')),
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, consent_by) REFERENCES memberships (workspace_id, person_id),
        CHECK (state <> 'connected' OR token IS NOT NULL)
      );
      CREATE INDEX connections_expiring ON connections (expires_at) WHERE state = 'connected' AND expires_at IS NOT NULL;

      ALTER TABLE channels DROP CONSTRAINT channels_state_check, DROP CONSTRAINT channels_check;
      ALTER TABLE channels
        ADD COLUMN connection_id uuid,
        ADD COLUMN network_address text,
        ADD COLUMN archived_at timestamptz,
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ALTER COLUMN micropub DROP NOT NULL;

      -- every channel that was connected before gets a connection of its own, with its token
      INSERT INTO connections (workspace_id, id, network, token, consent_by, state, made_at)
        SELECT c.workspace_id, c.id, c.network, c.token,
          (SELECT r.person_id FROM record r JOIN memberships m ON (m.workspace_id, m.person_id) = (r.workspace_id, r.person_id)
           WHERE r.workspace_id = c.workspace_id AND r.act = 'channel_connected' AND r.facts->>'account' = c.account ORDER BY r.order_no LIMIT 1),
          c.state, c.created_at
        FROM channels c;
      UPDATE channels SET connection_id = id;
      ALTER TABLE channels
        DROP COLUMN token,
        ADD CONSTRAINT channels_state CHECK (state IN ('connected', 'lapsed', 'planned', 'offline')),
        ADD CONSTRAINT channels_reached CHECK (state NOT IN ('connected', 'lapsed') OR (connection_id IS NOT NULL AND micropub IS NOT NULL)),
        ADD CONSTRAINT channels_connection FOREIGN KEY (workspace_id, connection_id) REFERENCES connections (workspace_id, id);
      CREATE INDEX channels_of_connection ON channels (workspace_id, connection_id);
      CREATE INDEX channels_account ON channels (account);

      -- A person on their way to a network and back. The verifier (PKCE) and what came back are encrypted.
      CREATE TABLE connect_tries (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        person_id uuid NOT NULL,
        network_address text NOT NULL,
        network text NOT NULL,
        channel_id uuid,
        state_digest bytea NOT NULL UNIQUE CHECK (length(state_digest) = 32),
        verifier bytea NOT NULL,
        begun_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        ended_at timestamptz,
        grant_sealed bytea,
        accounts jsonb NOT NULL DEFAULT '[]',
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );

      CREATE TABLE channel_sets (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        version int NOT NULL DEFAULT 1,
        PRIMARY KEY (workspace_id, id)
      );
      CREATE UNIQUE INDEX channel_sets_name ON channel_sets (workspace_id, lower(name));
      CREATE TABLE channel_set_channels (
        workspace_id uuid NOT NULL,
        set_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, set_id, channel_id),
        FOREIGN KEY (workspace_id, set_id) REFERENCES channel_sets (workspace_id, id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );
      -- channels that a person has switched off in their own views
      CREATE TABLE channels_off (
        workspace_id uuid NOT NULL,
        person_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, person_id, channel_id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );

      -- due and to be published by a person: an offline channel has no network that could take it
      ALTER TABLE showings DROP CONSTRAINT showings_state_check;
      ALTER TABLE showings
        ADD COLUMN claimed_by uuid,
        ADD COLUMN claimed_at timestamptz,
        ADD CONSTRAINT showings_state CHECK (state IN ('planned', 'by_hand', 'sending', 'unclear', 'out', 'trouble')),
        ADD CONSTRAINT showings_claimed_both CHECK ((claimed_by IS NULL) = (claimed_at IS NULL)),
        ADD CONSTRAINT showings_claimed_by FOREIGN KEY (workspace_id, claimed_by) REFERENCES memberships (workspace_id, person_id);
      DROP INDEX showings_unsent;
      CREATE INDEX showings_unsent ON showings (workspace_id, state) WHERE state IN ('planned', 'by_hand', 'sending', 'unclear');

      GRANT SELECT, INSERT ON brand_parts, brand_files, connections, connect_tries, channel_sets, channel_set_channels, channels_off
        TO ask_first_web, ask_first_jobs;
      GRANT UPDATE ON brand_parts, brand_files, connections, connect_tries, channel_sets TO ask_first_web, ask_first_jobs;
      GRANT DELETE ON channel_sets, channel_set_channels, channels_off TO ask_first_web;
    SQL
