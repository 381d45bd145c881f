# frozen_string_literal: true

require_relative "../client_table"

# Private addresses under which a calendar reads the plan with somebody's eyes. Only a digest of the secret is kept.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE calendar_feeds (
        id uuid NOT NULL UNIQUE, -- no key that a workspace leads: some stand over all clients of their person
        workspace_id uuid REFERENCES workspaces,
        person_id uuid NOT NULL REFERENCES people,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        narrowing jsonb NOT NULL CHECK (jsonb_typeof(narrowing) = 'object'),
        digest bytea NOT NULL UNIQUE CHECK (length(digest) = 32),
        made_at timestamptz NOT NULL,
        read_at timestamptz,
        revoked_at timestamptz
      );
      CREATE INDEX calendar_feeds_of_person ON calendar_feeds (person_id) WHERE revoked_at IS NULL;
      GRANT SELECT, INSERT, UPDATE ON calendar_feeds TO ask_first_web;
      GRANT SELECT ON calendar_feeds TO ask_first_jobs;
      ALTER TABLE calendar_feeds ENABLE ROW LEVEL SECURITY;
      CREATE POLICY web_scope ON calendar_feeds TO ask_first_web
        USING (
          person_id = (SELECT app_person())
          AND (workspace_id IS NULL OR workspace_id IN (SELECT unnest(app_workspaces())))
        );
      CREATE POLICY web_secret ON calendar_feeds FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()));
      CREATE POLICY jobs_all ON calendar_feeds TO ask_first_jobs USING (true) WITH CHECK (true);
    SQL
    AskFirst::Store::ClientTable.know(self)
  end
end
