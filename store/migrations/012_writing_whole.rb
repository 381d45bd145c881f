# frozen_string_literal: true

# What writing needs beside the parts themselves: the agency's note, labels, campaigns, mentions with their spellings,
# tracking tags that are fixed at the first ask, the lead's reminder list, what was found at the end of links, and
# media of more kinds.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE workspaces
        ADD COLUMN currency text NOT NULL DEFAULT 'EUR' CHECK (currency ~ '^[A-Z]{3}$'),
        ADD COLUMN tracking jsonb NOT NULL DEFAULT '{}';

      CREATE TABLE campaigns (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX campaigns_by_name ON campaigns (workspace_id, lower(name));

      ALTER TABLE posts
        ADD COLUMN note text NOT NULL DEFAULT '' CHECK (length(note) <= 8000),
        ADD COLUMN note_version int NOT NULL DEFAULT 1,
        ADD COLUMN campaign_id uuid,
        ADD FOREIGN KEY (workspace_id, campaign_id) REFERENCES campaigns (workspace_id, id);

      -- the tracking tags as they stood when this was first asked, released or marked ready
      ALTER TABLE adaptations ADD COLUMN tags jsonb;

      CREATE TABLE labels (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX labels_by_name ON labels (workspace_id, lower(name));
      CREATE TABLE post_labels (
        workspace_id uuid NOT NULL,
        post_id uuid NOT NULL,
        label_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, post_id, label_id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, label_id) REFERENCES labels (workspace_id, id)
      );
      CREATE INDEX post_labels_by_label ON post_labels (workspace_id, label_id);

      -- people and things that posts name, each spelled as a network wants it
      CREATE TABLE mentions (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80 AND name !~ '[][]'),
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX mentions_by_name ON mentions (workspace_id, lower(name));
      CREATE TABLE mention_spellings (
        workspace_id uuid NOT NULL,
        mention_id uuid NOT NULL,
        network text NOT NULL CHECK (length(network) BETWEEN 1 AND 60),
        spelling text NOT NULL CHECK (length(spelling) BETWEEN 1 AND 120),
        PRIMARY KEY (workspace_id, mention_id, network),
        FOREIGN KEY (workspace_id, mention_id) REFERENCES mentions (workspace_id, id)
      );

      -- what the lead wants looked at in every post; ticked for each post, gone from the list and kept for what was ticked
      CREATE TABLE reminders (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        words text NOT NULL CHECK (length(words) BETWEEN 1 AND 200),
        position int NOT NULL,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        dropped_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE TABLE reminder_ticks (
        workspace_id uuid NOT NULL,
        post_id uuid NOT NULL,
        reminder_id uuid NOT NULL,
        ticked_by uuid NOT NULL,
        ticked_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, post_id, reminder_id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        FOREIGN KEY (workspace_id, reminder_id) REFERENCES reminders (workspace_id, id),
        FOREIGN KEY (workspace_id, ticked_by) REFERENCES memberships (workspace_id, person_id)
      );

      CREATE TABLE link_looks (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        digest text NOT NULL CHECK (digest ~ '^[0-9a-f]{64}$'),
        address text NOT NULL CHECK (length(address) <= 2000),
        looked_at timestamptz NOT NULL,
        state text NOT NULL CHECK (state IN ('fine', 'gone', 'broken', 'silent', 'private')),
        note text NOT NULL DEFAULT '',
        PRIMARY KEY (workspace_id, digest)
      );

      -- what a revision was made of, so that it can be taken back; older ones were kept without
      ALTER TABLE revisions ADD COLUMN master jsonb;
      ALTER TABLE revision_adaptations ADD COLUMN own jsonb;

      ALTER TABLE media
        ADD COLUMN kind text NOT NULL DEFAULT 'picture' CHECK (kind IN ('picture', 'video', 'document')),
        ADD COLUMN duration_ms int CHECK (duration_ms > 0),
        ADD COLUMN pages int CHECK (pages > 0),
        ADD CHECK ((kind = 'video') = (duration_ms IS NOT NULL)),
        ADD CHECK ((kind = 'document') = (pages IS NOT NULL));
    SQL

    # Every table of a client under the second wall, and gone with its client.
    tables = %w[campaigns labels post_labels mentions mention_spellings reminders reminder_ticks link_looks]
    tables.each { |table| run <<~SQL }
        ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY;
        CREATE POLICY web_scope ON #{table} TO ask_first_web
          USING (workspace_id IN (SELECT unnest(app_workspaces()))) WITH CHECK (workspace_id IN (SELECT unnest(app_workspaces())));
        CREATE POLICY jobs_all ON #{table} TO ask_first_jobs USING (true) WITH CHECK (true);
      SQL

    run <<~SQL
      GRANT SELECT, INSERT ON campaigns, labels, post_labels, mentions, mention_spellings, reminders, reminder_ticks, link_looks TO ask_first_web, ask_first_jobs;
      GRANT UPDATE ON mention_spellings, reminders, link_looks TO ask_first_web, ask_first_jobs;
      GRANT DELETE ON post_labels, mention_spellings, reminder_ticks TO ask_first_web;

      CREATE OR REPLACE FUNCTION app_purge_client(client uuid, at_time timestamptz, line uuid, salt bytea) RETURNS text
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
      DECLARE
        gone workspaces%ROWTYPE;
        one text;
        posts_gone bigint;
      BEGIN
        SELECT * INTO gone FROM workspaces WHERE id = client AND deleted_at <= at_time - interval '14 days' FOR UPDATE;
        IF NOT FOUND THEN RETURN NULL; END IF;
        SELECT count(*) INTO posts_gone FROM posts WHERE workspace_id = client;
        PERFORM set_config('ask_first.purging', 'on', true);
        FOREACH one IN ARRAY ARRAY['record', 'notices', 'remarks', 'attempts', 'releases', 'showings', 'holds', 'ready_marks', 'openings',
          'rulings', 'answers', 'guest_visits', 'guest_passes', 'ask_line_adaptations', 'ask_lines', 'ask_places', 'ask_people', 'asks', 'tasks',
          'revision_adaptations', 'revisions', 'renditions', 'parts', 'adaptations', 'reminder_ticks', 'reminders', 'post_labels', 'labels',
          'mention_spellings', 'mentions', 'link_looks', 'posts', 'campaigns', 'media', 'route_step_people', 'route_steps',
          'routes', 'channel_set_channels', 'channel_sets', 'channels_off', 'connect_tries', 'membership_channels', 'invitation_channels',
          'invitations', 'channels', 'connections', 'stand_ins', 'brand_files', 'brand_parts', 'memberships']
        LOOP
          EXECUTE format('DELETE FROM %I WHERE workspace_id = $1', one) USING client;
        END LOOP;
        DELETE FROM workspaces WHERE id = client;
        PERFORM set_config('ask_first.purging', '', true);
        INSERT INTO agency_record (id, agency_id, at, process, act, facts, salt)
          VALUES (line, gone.agency_id, at_time, 'dispatcher', 'client_purged', jsonb_build_object('name', gone.name, 'posts', posts_gone), salt);
        RETURN gone.name;
      END $$;
    SQL

    # A link was its address alone; now it is an address with what belongs to it.
    run <<~SQL
      UPDATE parts SET value = jsonb_build_object('address', value, 'tags', NULL, 'card', NULL, 'bare', 'keep')
      WHERE part = 'link' AND jsonb_typeof(value) = 'string';
    SQL
  end
end
