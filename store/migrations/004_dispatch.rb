# frozen_string_literal: true

# Releases, showings and their attempts. One showing is sent once: the row is the only place where that is decided.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE showings (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        number int NOT NULL CHECK (number > 0),
        state text NOT NULL CHECK (state IN ('planned', 'sending', 'unclear', 'out', 'trouble')),
        lease_until timestamptz,
        tries int NOT NULL DEFAULT 0,
        uploads jsonb NOT NULL DEFAULT '{}',
        next_look_at timestamptz,
        sent_at timestamptz,
        address text,
        seen text CHECK (seen IN ('same', 'differs', 'cannot_tell')),
        seen_at timestamptz,
        seen_note text NOT NULL DEFAULT '',
        trouble text NOT NULL DEFAULT '',
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, adaptation_id, number),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, adaptation_id, channel_id) REFERENCES adaptations (workspace_id, id, channel_id),
        CHECK ((state = 'out') <= (address IS NOT NULL AND sent_at IS NOT NULL)),
        CHECK ((state = 'sending') = (lease_until IS NOT NULL)),
        CHECK ((state = 'trouble') = (trouble <> ''))
      );
      CREATE INDEX showings_unsent ON showings (workspace_id, state) WHERE state IN ('planned', 'sending', 'unclear');
      CREATE INDEX showings_of_post ON showings (workspace_id, post_id);
      CREATE INDEX showings_sent ON showings (workspace_id, sent_at DESC) WHERE sent_at IS NOT NULL;
      CREATE INDEX showings_trouble ON showings (workspace_id) WHERE state = 'trouble';

      CREATE TABLE releases (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        showing_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        revision_adaptation_id uuid NOT NULL,
        fingerprint text NOT NULL,
        wall timestamp NOT NULL,
        zone text NOT NULL,
        at timestamptz NOT NULL,
        released_by uuid NOT NULL,
        released_at timestamptz NOT NULL,
        ended_at timestamptz,
        ended_why text,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, showing_id) REFERENCES showings (workspace_id, id),
        FOREIGN KEY (workspace_id, revision_adaptation_id, adaptation_id)
          REFERENCES revision_adaptations (workspace_id, id, adaptation_id),
        FOREIGN KEY (workspace_id, released_by) REFERENCES memberships (workspace_id, person_id),
        CHECK ((ended_at IS NULL) = (ended_why IS NULL))
      );
      CREATE UNIQUE INDEX releases_one_live ON releases (workspace_id, showing_id) WHERE ended_at IS NULL;
      CREATE INDEX releases_of_post ON releases (workspace_id, post_id);
      CREATE INDEX releases_by_time ON releases (workspace_id, at) WHERE ended_at IS NULL;
      CREATE INDEX releases_due ON releases (at) WHERE ended_at IS NULL;

      CREATE TABLE attempts (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        showing_id uuid NOT NULL,
        event text NOT NULL,
        note text NOT NULL DEFAULT '',
        at timestamptz NOT NULL,
        order_no bigint NOT NULL GENERATED ALWAYS AS IDENTITY,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, showing_id) REFERENCES showings (workspace_id, id)
      );
      CREATE INDEX attempts_of_showing ON attempts (workspace_id, showing_id, order_no);
      CREATE TRIGGER attempts_immutable BEFORE UPDATE OR DELETE ON attempts EXECUTE FUNCTION refuse_change();

      -- when the dispatcher was last alive, for the alarm on the Desk
      CREATE TABLE dispatcher_beats (
        id int PRIMARY KEY CHECK (id = 1),
        beat_at timestamptz NOT NULL,
        clock_gap numeric NOT NULL
      );
    SQL
