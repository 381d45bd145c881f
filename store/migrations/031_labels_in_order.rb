# frozen_string_literal: true

# Labels with a colour and a mark, below one another by one level, and merged: a merged one stays as a sign that points
# at where it went, so that a saved view that names it still finds what it meant.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE labels
        ADD COLUMN colour text NOT NULL DEFAULT 'ink'
          CHECK (colour IN ('ink', 'slate', 'moss', 'teal', 'sea', 'plum', 'brick', 'ochre')),
        ADD COLUMN mark text NOT NULL DEFAULT '' CHECK (length(mark) <= 2),
        ADD COLUMN parent_id uuid,
        ADD COLUMN merged_into uuid,
        -- one level: what a label stands below stands below nothing itself
        ADD COLUMN top boolean NOT NULL GENERATED ALWAYS AS (parent_id IS NULL) STORED,
        ADD COLUMN below_top boolean GENERATED ALWAYS AS (CASE WHEN parent_id IS NOT NULL THEN true END) STORED,
        ADD UNIQUE (workspace_id, id, top),
        ADD FOREIGN KEY (workspace_id, parent_id, below_top) REFERENCES labels (workspace_id, id, top),
        ADD FOREIGN KEY (workspace_id, merged_into) REFERENCES labels (workspace_id, id),
        ADD CHECK (parent_id <> id),
        ADD CHECK (merged_into <> id);
      -- the name of a merged one is free again
      DROP INDEX labels_by_name;
      CREATE UNIQUE INDEX labels_by_name ON labels (workspace_id, lower(name)) WHERE merged_into IS NULL;
      CREATE INDEX labels_by_parent ON labels (workspace_id, parent_id) WHERE parent_id IS NOT NULL;
      GRANT UPDATE ON labels, mix_targets TO ask_first_web;
    SQL
