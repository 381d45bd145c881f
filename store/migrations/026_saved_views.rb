# frozen_string_literal: true

require_relative "../client_table"

# Views of the plan by a name: of one person, over one client or all of theirs; or of a client, for everybody there.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE saved_views (
        id uuid NOT NULL UNIQUE, -- no key that a workspace leads: some stand over all clients of their person
        workspace_id uuid REFERENCES workspaces,
        person_id uuid NOT NULL REFERENCES people,
        shared boolean NOT NULL DEFAULT false,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        look text NOT NULL CHECK (look IN ('month', 'week', 'channels')),
        narrowing jsonb NOT NULL CHECK (jsonb_typeof(narrowing) = 'object'),
        made_at timestamptz NOT NULL,
        CHECK (NOT shared OR workspace_id IS NOT NULL)
      );
      CREATE UNIQUE INDEX saved_views_shared ON saved_views (workspace_id, lower(name)) WHERE shared;
      CREATE UNIQUE INDEX saved_views_own
        ON saved_views (person_id, coalesce(workspace_id, '00000000-0000-0000-0000-000000000000'), lower(name))
        WHERE NOT shared;
      CREATE INDEX saved_views_of_person ON saved_views (person_id);
      GRANT SELECT, INSERT, UPDATE, DELETE ON saved_views TO ask_first_web;
      GRANT SELECT ON saved_views TO ask_first_jobs;
      ALTER TABLE saved_views ENABLE ROW LEVEL SECURITY;
      CREATE POLICY web_scope ON saved_views TO ask_first_web
        USING (
          (workspace_id IS NULL OR workspace_id IN (SELECT unnest(app_workspaces())))
          AND (shared OR person_id = (SELECT app_person()))
        );
      CREATE POLICY jobs_all ON saved_views TO ask_first_jobs USING (true) WITH CHECK (true);
    SQL
    AskFirst::Store::ClientTable.know(self)
  end
end
