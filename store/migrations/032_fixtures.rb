# frozen_string_literal: true

require_relative "../client_table"

# Pencil marks that come back by a rule, with the days on which they do not: skipped, or made into a post already.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE fixtures (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        word text NOT NULL CHECK (length(word) BETWEEN 1 AND 80),
        rule text NOT NULL CHECK (length(rule) BETWEEN 10 AND 200),
        first_day date NOT NULL,
        last_day date CHECK (last_day >= first_day),
        clock time,
        label_id uuid,
        owner_id uuid,
        days_before int NOT NULL DEFAULT 7 CHECK (days_before BETWEEN 0 AND 90),
        version int NOT NULL DEFAULT 1,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, label_id) REFERENCES labels (workspace_id, id),
        FOREIGN KEY (workspace_id, owner_id) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE TABLE fixture_channels (
        workspace_id uuid NOT NULL,
        fixture_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, fixture_id, channel_id),
        FOREIGN KEY (workspace_id, fixture_id) REFERENCES fixtures (workspace_id, id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );
      -- a day of a fixture is made into a post once, whoever presses
      CREATE TABLE fixture_days (
        workspace_id uuid NOT NULL,
        fixture_id uuid NOT NULL,
        day date NOT NULL,
        post_id uuid,
        PRIMARY KEY (workspace_id, fixture_id, day),
        FOREIGN KEY (workspace_id, fixture_id) REFERENCES fixtures (workspace_id, id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id)
      );
      GRANT SELECT, INSERT, UPDATE, DELETE ON fixtures, fixture_channels, fixture_days TO ask_first_web;
      GRANT SELECT ON fixtures, fixture_channels, fixture_days TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :fixtures, :fixture_channels, :fixture_days)
  end
end
