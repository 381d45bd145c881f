# frozen_string_literal: true

# Routes, asks, answers, guest passes and everything else that the verdict is computed from.
Sequel.migration { up { run <<~SQL } }
      -- One order for asks, answers and rulings, so that "later" has a defined meaning within a millisecond too.
      CREATE SEQUENCE signoff_order;

      CREATE TABLE routes (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL,
        is_default boolean NOT NULL,
        PRIMARY KEY (workspace_id, id)
      );
      CREATE UNIQUE INDEX routes_one_default ON routes (workspace_id) WHERE is_default;

      CREATE TABLE route_steps (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        route_id uuid NOT NULL,
        position int NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        side text NOT NULL CHECK (side IN ('internal', 'client')),
        quorum text NOT NULL CHECK (quorum IN ('any', 'all', 'n')),
        n int CHECK (n > 0),
        required boolean NOT NULL DEFAULT true,
        four_eyes boolean NOT NULL DEFAULT true,
        hours numeric NOT NULL CHECK (hours > 0),
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, route_id, position),
        FOREIGN KEY (workspace_id, route_id) REFERENCES routes (workspace_id, id),
        CHECK ((quorum = 'n') = (n IS NOT NULL))
      );
      CREATE TABLE route_step_people (
        workspace_id uuid NOT NULL,
        step_id uuid NOT NULL,
        person_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, step_id, person_id),
        FOREIGN KEY (workspace_id, step_id) REFERENCES route_steps (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );

      CREATE TABLE asks (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        step_id uuid NOT NULL,
        asked_by uuid NOT NULL,
        asked_at timestamptz NOT NULL,
        due_at timestamptz NOT NULL,
        message text NOT NULL DEFAULT '' CHECK (length(message) <= 4000),
        room text NOT NULL CHECK (room IN ('house', 'client')),
        order_no bigint NOT NULL DEFAULT nextval('signoff_order'),
        withdrawn_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, id, step_id),
        FOREIGN KEY (workspace_id, step_id) REFERENCES route_steps (workspace_id, id),
        FOREIGN KEY (workspace_id, asked_by) REFERENCES memberships (workspace_id, person_id),
        CHECK (due_at > asked_at)
      );
      -- who is asked; whoever is not here cannot answer
      CREATE TABLE ask_people (
        workspace_id uuid NOT NULL,
        ask_id uuid NOT NULL,
        person_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, ask_id, person_id),
        FOREIGN KEY (workspace_id, ask_id) REFERENCES asks (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE INDEX ask_people_person ON ask_people (workspace_id, person_id);
      -- the places fixed when the step was asked; no person = open to any one of those asked
      CREATE TABLE ask_places (
        workspace_id uuid NOT NULL,
        ask_id uuid NOT NULL,
        number int NOT NULL,
        person_id uuid,
        PRIMARY KEY (workspace_id, ask_id, number),
        FOREIGN KEY (workspace_id, ask_id) REFERENCES asks (workspace_id, id),
        FOREIGN KEY (workspace_id, ask_id, person_id) REFERENCES ask_people (workspace_id, ask_id, person_id)
      );
      CREATE TABLE ask_lines (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        ask_id uuid NOT NULL,
        post_id uuid NOT NULL,
        revision_id uuid NOT NULL,
        ended_at timestamptz,
        ended_as text CHECK (ended_as IN ('answered', 'withdrawn', 'outdated')),
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, ask_id, post_id),
        FOREIGN KEY (workspace_id, ask_id) REFERENCES asks (workspace_id, id),
        FOREIGN KEY (workspace_id, revision_id, post_id) REFERENCES revisions (workspace_id, id, post_id),
        CHECK ((ended_at IS NULL) = (ended_as IS NULL))
      );
      CREATE INDEX ask_lines_open ON ask_lines (workspace_id, post_id) WHERE ended_at IS NULL;
      CREATE INDEX ask_lines_post ON ask_lines (workspace_id, post_id);
      CREATE TABLE ask_line_adaptations (
        workspace_id uuid NOT NULL,
        line_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        revision_adaptation_id uuid NOT NULL,
        ended_as text CHECK (ended_as IN ('answered', 'withdrawn', 'outdated')),
        PRIMARY KEY (workspace_id, line_id, adaptation_id),
        FOREIGN KEY (workspace_id, line_id) REFERENCES ask_lines (workspace_id, id),
        FOREIGN KEY (workspace_id, revision_adaptation_id, adaptation_id)
          REFERENCES revision_adaptations (workspace_id, id, adaptation_id)
      );
      CREATE INDEX ask_line_adaptations_one ON ask_line_adaptations (workspace_id, adaptation_id);

      CREATE TABLE guest_passes (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        ask_id uuid NOT NULL,
        person_id uuid NOT NULL,
        digest bytea NOT NULL UNIQUE CHECK (length(digest) = 32),
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL,
        revoked_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, ask_id, person_id) REFERENCES ask_people (workspace_id, ask_id, person_id),
        CHECK (expires_at > made_at)
      );
      CREATE TABLE guest_visits (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        pass_id uuid NOT NULL,
        digest bytea NOT NULL UNIQUE CHECK (length(digest) = 32),
        opened_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, pass_id) REFERENCES guest_passes (workspace_id, id)
      );

      -- A verdict by one person on one adaptation as it was shown. Never changed, never removed.
      CREATE TABLE answers (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        line_id uuid NOT NULL,
        step_id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        person_id uuid NOT NULL,
        given_by uuid NOT NULL,
        pass_id uuid,
        verdict text NOT NULL CHECK (verdict IN ('yes', 'change', 'no')),
        words text NOT NULL DEFAULT '' CHECK (length(words) <= 4000),
        room text NOT NULL CHECK (room IN ('house', 'client')),
        fingerprint text NOT NULL,
        wall timestamp,
        zone text NOT NULL,
        eligible boolean NOT NULL,
        author boolean NOT NULL,
        given_at timestamptz NOT NULL,
        order_no bigint NOT NULL DEFAULT nextval('signoff_order'),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, line_id, adaptation_id) REFERENCES ask_line_adaptations (workspace_id, line_id, adaptation_id),
        FOREIGN KEY (workspace_id, step_id) REFERENCES route_steps (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, given_by) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, pass_id) REFERENCES guest_passes (workspace_id, id),
        CHECK (verdict = 'yes' OR words <> '')
      );
      CREATE INDEX answers_of_adaptation ON answers (workspace_id, adaptation_id);
      CREATE INDEX answers_of_post ON answers (workspace_id, post_id);
      CREATE INDEX answers_of_line ON answers (workspace_id, line_id, person_id);
      CREATE TRIGGER answers_immutable BEFORE UPDATE OR DELETE ON answers EXECUTE FUNCTION refuse_change();

      -- What someone with `govern` decided beside the answers: a step skipped or dropped, a place struck or filled.
      CREATE TABLE rulings (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        kind text NOT NULL CHECK (kind IN ('skip', 'drop', 'strike', 'fill')),
        step_id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        place_person_id uuid,
        fingerprint text NOT NULL,
        reason text NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
        room text NOT NULL CHECK (room IN ('house', 'client')),
        ruled_by uuid NOT NULL,
        ruled_at timestamptz NOT NULL,
        order_no bigint NOT NULL DEFAULT nextval('signoff_order'),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, step_id) REFERENCES route_steps (workspace_id, id),
        FOREIGN KEY (workspace_id, adaptation_id) REFERENCES adaptations (workspace_id, id),
        FOREIGN KEY (workspace_id, ruled_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE INDEX rulings_of_post ON rulings (workspace_id, post_id);
      CREATE TRIGGER rulings_immutable BEFORE UPDATE OR DELETE ON rulings EXECUTE FUNCTION refuse_change();

      CREATE TABLE openings (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        opened_by uuid NOT NULL,
        opened_at timestamptz NOT NULL,
        closed_at timestamptz,
        closed_by uuid,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, adaptation_id) REFERENCES adaptations (workspace_id, id),
        FOREIGN KEY (workspace_id, opened_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX openings_one_open ON openings (workspace_id, adaptation_id) WHERE closed_at IS NULL;
      CREATE INDEX openings_of_post ON openings (workspace_id, post_id);

      -- With no required step, someone with `run` says that a revision is ready.
      CREATE TABLE ready_marks (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        fingerprint text NOT NULL,
        marked_by uuid NOT NULL,
        marked_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, adaptation_id, fingerprint),
        FOREIGN KEY (workspace_id, adaptation_id) REFERENCES adaptations (workspace_id, id),
        FOREIGN KEY (workspace_id, marked_by) REFERENCES memberships (workspace_id, person_id)
      );

      CREATE TABLE holds (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        channel_id uuid,
        reason text NOT NULL CHECK (length(reason) BETWEEN 1 AND 1000),
        room text NOT NULL DEFAULT 'house' CHECK (room IN ('house', 'client')),
        put_by uuid NOT NULL,
        put_at timestamptz NOT NULL,
        until timestamptz,
        lifted_at timestamptz,
        lifted_by uuid,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id),
        FOREIGN KEY (workspace_id, put_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX holds_one ON holds (workspace_id, channel_id) NULLS NOT DISTINCT WHERE lifted_at IS NULL;

      CREATE TABLE remarks (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        room text NOT NULL CHECK (room IN ('house', 'client')),
        person_id uuid NOT NULL,
        pass_id uuid,
        words text NOT NULL CHECK (length(words) BETWEEN 1 AND 4000),
        said_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, pass_id) REFERENCES guest_passes (workspace_id, id)
      );
      CREATE INDEX remarks_of_post ON remarks (workspace_id, post_id, said_at);
    SQL
