# frozen_string_literal: true

require_relative "../client_table"

# The media of a client as a library: folders and labels, what is said of a medium once and for all, until when it may
# be used, and what it looks like, so that near ones are found.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE media_folders (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 60),
        PRIMARY KEY (workspace_id, id)
      );
      CREATE UNIQUE INDEX media_folder_names ON media_folders (workspace_id, lower(name));

      ALTER TABLE media
        ADD COLUMN folder_id uuid,
        ADD COLUMN description text NOT NULL DEFAULT '' CHECK (length(description) <= 2000),
        ADD COLUMN written text NOT NULL DEFAULT '' CHECK (length(written) <= 500),
        ADD COLUMN usable_until date,
        ADD COLUMN usable_note text NOT NULL DEFAULT '' CHECK (length(usable_note) <= 500),
        ADD COLUMN boxes jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(boxes) = 'array'),
        -- millionths of its area that words cover, of `boxes`
        ADD COLUMN covered int NOT NULL DEFAULT 0 CHECK (covered BETWEEN 0 AND 1000000),
        ADD COLUMN likeness bigint,
        ADD COLUMN near_to uuid,
        ADD COLUMN version int NOT NULL DEFAULT 1 CHECK (version > 0),
        ADD CONSTRAINT media_folder FOREIGN KEY (workspace_id, folder_id) REFERENCES media_folders (workspace_id, id),
        ADD CONSTRAINT media_near_to FOREIGN KEY (workspace_id, near_to) REFERENCES media (workspace_id, id),
        ADD CONSTRAINT media_near_another CHECK (near_to <> id);
      CREATE INDEX media_newest ON media (workspace_id, added_at DESC, id DESC);
      CREATE INDEX media_same ON media (workspace_id, digest);
      CREATE INDEX media_in_folder ON media (workspace_id, folder_id);
      CREATE INDEX media_near ON media (workspace_id, near_to) WHERE near_to IS NOT NULL;

      CREATE TABLE media_labels (
        workspace_id uuid NOT NULL,
        media_id uuid NOT NULL,
        label_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, media_id, label_id),
        FOREIGN KEY (workspace_id, media_id) REFERENCES media (workspace_id, id),
        FOREIGN KEY (workspace_id, label_id) REFERENCES labels (workspace_id, id)
      );
      CREATE INDEX media_of_label ON media_labels (workspace_id, label_id);

      GRANT SELECT ON media_folders, media_labels TO ask_first_web, ask_first_jobs;
      GRANT INSERT, UPDATE, DELETE ON media_folders, media_labels TO ask_first_web;
      GRANT UPDATE (name, folder_id, description, written, usable_until, usable_note, boxes, covered, version)
        ON media TO ask_first_web;
    SQL
    AskFirst::Store::ClientTable.add(self, :media_folders, :media_labels)
  end
end
