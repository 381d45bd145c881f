# frozen_string_literal: true

# Posts made of parts, their media, and the immutable revisions with a fingerprint for each adaptation.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE posts (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        subject text NOT NULL DEFAULT '' CHECK (length(subject) <= 300),
        subject_version int NOT NULL DEFAULT 1,
        owner_id uuid NOT NULL,
        -- a cache of the core's verdict, written in the transaction that changes it; stale after changes_at
        stage text NOT NULL DEFAULT 'drafting',
        strip jsonb NOT NULL DEFAULT '[]',
        at timestamptz,
        changes_at timestamptz,
        created_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, owner_id) REFERENCES memberships (workspace_id, person_id),
        CHECK (stage IN ('drafting', 'internal_review', 'client_approval', 'cleared', 'released', 'out',
                         'changes_wanted', 'held', 'trouble'))
      );
      CREATE INDEX posts_by_stage ON posts (workspace_id, stage, at);
      CREATE INDEX posts_newest ON posts (workspace_id, id DESC);

      CREATE TABLE adaptations (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        stage text NOT NULL DEFAULT 'drafting',
        removed_at timestamptz,
        created_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, post_id, channel_id),
        UNIQUE (workspace_id, id, channel_id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );

      -- One row a part: the master's (no channel) or a channel's own. No row for a channel means: it follows.
      CREATE TABLE parts (
        workspace_id uuid NOT NULL,
        post_id uuid NOT NULL,
        channel_id uuid,
        part text NOT NULL CHECK (part IN ('text', 'link', 'media', 'framing', 'descriptions', 'tagged', 'first_comment',
                                           'call_to_action', 'format', 'audience', 'event', 'budget', 'time')),
        value jsonb NOT NULL,
        version int NOT NULL CHECK (version > 0),
        written_by uuid NOT NULL,
        written_at timestamptz NOT NULL,
        -- everybody with words or pictures in the value that stands here: none of them may clear it
        authors uuid[] NOT NULL,
        UNIQUE NULLS NOT DISTINCT (workspace_id, post_id, channel_id, part),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, post_id, channel_id) REFERENCES adaptations (workspace_id, post_id, channel_id),
        FOREIGN KEY (workspace_id, written_by) REFERENCES memberships (workspace_id, person_id)
      );

      CREATE TABLE media (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        file text NOT NULL,
        name text NOT NULL CHECK (length(name) <= 255),
        mime text NOT NULL,
        bytes bigint NOT NULL CHECK (bytes > 0),
        width int NOT NULL CHECK (width > 0),
        height int NOT NULL CHECK (height > 0),
        digest text NOT NULL CHECK (digest ~ '^[0-9a-f]{64}$'),
        added_by uuid NOT NULL,
        added_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, added_by) REFERENCES memberships (workspace_id, person_id)
      );

      -- A picture as it will be sent: cropped, sized, without its hidden data.
      CREATE TABLE renditions (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        media_id uuid NOT NULL,
        spec jsonb NOT NULL,
        file text NOT NULL,
        mime text NOT NULL,
        bytes bigint NOT NULL,
        width int NOT NULL,
        height int NOT NULL,
        digest text NOT NULL CHECK (digest ~ '^[0-9a-f]{64}$'),
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, media_id, spec),
        FOREIGN KEY (workspace_id, media_id) REFERENCES media (workspace_id, id)
      );
      CREATE TRIGGER renditions_immutable BEFORE UPDATE OR DELETE ON renditions EXECUTE FUNCTION refuse_change();

      CREATE TABLE revisions (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        number int NOT NULL CHECK (number > 0),
        kept_by uuid NOT NULL,
        kept_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, post_id, number),
        UNIQUE (workspace_id, id, post_id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, kept_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE TRIGGER revisions_immutable BEFORE UPDATE OR DELETE ON revisions EXECUTE FUNCTION refuse_change();

      CREATE TABLE revision_adaptations (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        revision_id uuid NOT NULL,
        post_id uuid NOT NULL,
        adaptation_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        request jsonb NOT NULL,
        fingerprint text NOT NULL CHECK (fingerprint ~ '^[0-9a-f]{64}$'),
        wall timestamp,
        zone text NOT NULL,
        authors uuid[] NOT NULL,
        rendition_ids uuid[] NOT NULL,
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, revision_id, adaptation_id),
        UNIQUE (workspace_id, id, adaptation_id),
        FOREIGN KEY (workspace_id, revision_id, post_id) REFERENCES revisions (workspace_id, id, post_id),
        FOREIGN KEY (workspace_id, adaptation_id, channel_id) REFERENCES adaptations (workspace_id, id, channel_id)
      );
      CREATE TRIGGER revision_adaptations_immutable BEFORE UPDATE OR DELETE ON revision_adaptations EXECUTE FUNCTION refuse_change();

      CREATE TABLE tasks (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        post_id uuid NOT NULL,
        kind text NOT NULL CHECK (kind IN ('copy', 'picture', 'video', 'other')),
        title text NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
        note text NOT NULL DEFAULT '' CHECK (length(note) <= 4000),
        person_id uuid NOT NULL,
        due_wall timestamp NOT NULL,
        due_zone text NOT NULL,
        due_at timestamptz NOT NULL,
        assigned_by uuid NOT NULL,
        assigned_at timestamptz NOT NULL,
        done_at timestamptz,
        done_by uuid,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        CHECK ((done_at IS NULL) = (done_by IS NULL))
      );
      CREATE INDEX tasks_open ON tasks (workspace_id, person_id, due_at) WHERE done_at IS NULL;
      CREATE INDEX tasks_of_post ON tasks (workspace_id, post_id);
    SQL
