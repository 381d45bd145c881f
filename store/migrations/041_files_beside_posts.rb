# frozen_string_literal: true

# A file beside a post, in one of its two rooms: what shows that somebody said yes by phone, or what is talked about.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE brand_files
        ADD COLUMN post_id uuid,
        ADD COLUMN room text CHECK (room IN ('house', 'client')),
        ADD FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id),
        ADD CHECK ((post_id IS NULL) = (room IS NULL)),
        ADD CHECK (post_id IS NULL OR campaign_id IS NULL);
      CREATE INDEX brand_files_of_post ON brand_files (workspace_id, post_id) WHERE post_id IS NOT NULL;
      ALTER TABLE answers
        ADD COLUMN file_id uuid,
        ADD FOREIGN KEY (workspace_id, file_id) REFERENCES brand_files (workspace_id, id),
        -- in another's name: how they said it
        ADD CHECK (given_by = person_id OR words <> '');
    SQL
