# frozen_string_literal: true

# Versions of a medium: a newer file in its place. The one before stays, for what is out and for what keeps it.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE media
        ADD COLUMN number int NOT NULL DEFAULT 1 CHECK (number > 0),
        ADD COLUMN replaced_by uuid,
        ADD COLUMN first_id uuid, -- of its first version; none for the first itself
        -- see Core::Media::Edit: how it was made of the version before
        ADD COLUMN edit jsonb,
        ADD CONSTRAINT media_replaced_by FOREIGN KEY (workspace_id, replaced_by) REFERENCES media (workspace_id, id),
        ADD CONSTRAINT media_first FOREIGN KEY (workspace_id, first_id) REFERENCES media (workspace_id, id),
        ADD CONSTRAINT media_replaced_by_another CHECK (replaced_by <> id),
        ADD CONSTRAINT media_first_is_first CHECK ((first_id IS NULL) = (number = 1));
      CREATE UNIQUE INDEX media_versions ON media (workspace_id, first_id, number) WHERE first_id IS NOT NULL;
      CREATE UNIQUE INDEX media_replaces_one ON media (workspace_id, replaced_by) WHERE replaced_by IS NOT NULL;
      GRANT UPDATE (replaced_by) ON media TO ask_first_web;
    SQL
