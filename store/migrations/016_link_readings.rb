# frozen_string_literal: true

# Pages of links that somebody asked to have read: the dispatcher reads them, so that a page that does not answer
# holds up nobody.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE link_readings (
        workspace_id uuid NOT NULL REFERENCES workspaces ON DELETE CASCADE,
        id uuid NOT NULL,
        person_id uuid NOT NULL,
        address text NOT NULL CHECK (length(address) <= 2000),
        picture boolean NOT NULL, -- whether the page's picture is wanted too
        asked_at timestamptz NOT NULL,
        read_at timestamptz,
        state text CHECK (state IN ('fine', 'broken', 'silent', 'private')),
        found jsonb,
        CHECK ((read_at IS NULL) = (state IS NULL)),
        CHECK ((read_at IS NULL) = (found IS NULL)),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id) ON DELETE CASCADE
      );
      CREATE UNIQUE INDEX link_readings_once ON link_readings (workspace_id, person_id, md5(address), picture) WHERE read_at IS NULL;
      CREATE INDEX link_readings_asked ON link_readings (asked_at);

      ALTER TABLE link_readings ENABLE ROW LEVEL SECURITY;
      CREATE POLICY web_scope ON link_readings TO ask_first_web
        USING (workspace_id IN (SELECT unnest(app_workspaces()))) WITH CHECK (workspace_id IN (SELECT unnest(app_workspaces())));
      CREATE POLICY jobs_all ON link_readings TO ask_first_jobs USING (true) WITH CHECK (true);
      GRANT SELECT, INSERT ON link_readings TO ask_first_web;
      GRANT SELECT, UPDATE, DELETE ON link_readings TO ask_first_jobs;
    SQL
