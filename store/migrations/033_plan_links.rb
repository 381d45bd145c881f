# frozen_string_literal: true

require_relative "../client_table"

# Links under which a client sees the plan as far as it was shared with them, without an account; and posts that are
# kept out of it. Only a digest of the secret is kept.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE posts ADD COLUMN kept_out boolean NOT NULL DEFAULT false;
      CREATE TABLE plan_links (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        digest bytea NOT NULL UNIQUE CHECK (length(digest) = 32),
        weeks int NOT NULL CHECK (weeks BETWEEN 1 AND 26),
        marks boolean NOT NULL,
        money boolean NOT NULL,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        expires_at timestamptz NOT NULL CHECK (expires_at > made_at),
        read_at timestamptz,
        revoked_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      GRANT SELECT, INSERT, UPDATE ON plan_links TO ask_first_web;
      GRANT SELECT ON plan_links TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :plan_links)
    run "CREATE POLICY web_secret ON plan_links FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()))"
  end
end
