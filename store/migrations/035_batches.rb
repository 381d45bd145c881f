# frozen_string_literal: true

require_relative "../client_table"

# One act over many posts that goes on by itself: what was asked for, and what came of each post so far.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE batches (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        person_id uuid NOT NULL,
        kind text NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
        value jsonb NOT NULL,
        begun_at timestamptz NOT NULL,
        ended_at timestamptz,
        stopped boolean NOT NULL DEFAULT false,
        seen_at timestamptz CHECK (seen_at IS NULL OR ended_at IS NOT NULL),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE INDEX batches_unseen ON batches (person_id, workspace_id) WHERE seen_at IS NULL;
      -- a post is done once in a batch, whoever works on it
      CREATE TABLE batch_posts (
        workspace_id uuid NOT NULL,
        batch_id uuid NOT NULL,
        post_id uuid NOT NULL,
        outcome jsonb,
        PRIMARY KEY (workspace_id, batch_id, post_id),
        FOREIGN KEY (workspace_id, batch_id) REFERENCES batches (workspace_id, id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id)
      );
      GRANT SELECT, INSERT, UPDATE, DELETE ON batches, batch_posts TO ask_first_web;
      GRANT SELECT, UPDATE ON batches, batch_posts TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :batches, :batch_posts)
  end
end
