# frozen_string_literal: true

# Whether the client's side sees how its own sign-off goes, and the index that figures of a period are read by.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE workspaces ADD COLUMN figures_shared boolean NOT NULL DEFAULT false;
      CREATE INDEX asks_of_time ON asks (workspace_id, asked_at);
    SQL
