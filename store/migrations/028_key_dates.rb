# frozen_string_literal: true

require_relative "../client_table"

# What a plan must know beside its posts: key dates and other work on their days, and a note for each month.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE key_dates (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        kind text NOT NULL CHECK (kind IN ('date', 'work')),
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
        first_day date NOT NULL,
        last_day date NOT NULL,
        yearly boolean NOT NULL,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, id),
        CHECK (last_day - first_day BETWEEN 0 AND 365),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE UNIQUE INDEX key_dates_once ON key_dates (workspace_id, first_day, lower(name));

      CREATE TABLE month_notes (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        month date NOT NULL CHECK (extract(day FROM month) = 1),
        note text NOT NULL CHECK (length(note) <= 4000),
        version int NOT NULL CHECK (version > 0),
        written_by uuid NOT NULL,
        written_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, month),
        FOREIGN KEY (workspace_id, written_by) REFERENCES memberships (workspace_id, person_id)
      );
      -- a saved view may be a year or a list too
      ALTER TABLE saved_views DROP CONSTRAINT saved_views_look_check,
        ADD CONSTRAINT saved_views_look_check CHECK (look IN ('month', 'week', 'channels', 'year', 'list'));
      GRANT SELECT, INSERT, UPDATE, DELETE ON key_dates, month_notes TO ask_first_web;
      GRANT SELECT ON key_dates, month_notes TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :key_dates, :month_notes)
  end
end
