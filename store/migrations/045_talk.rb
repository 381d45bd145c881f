# frozen_string_literal: true

require_relative "../client_table"

# Talk in full: threads, pins, suggested edits, mentions, files, settled and reopened, changed and deleted. Notices are
# read in the masthead too, also those that nobody wants by mail.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE remarks
        ADD COLUMN thread_id uuid,
        ADD COLUMN pin jsonb CHECK (jsonb_typeof(pin) = 'object'),
        ADD COLUMN replacement text CHECK (length(replacement) <= 4000),
        ADD COLUMN decided_as text CHECK (decided_as IN ('taken', 'declined')),
        ADD COLUMN decided_by uuid,
        ADD COLUMN decided_at timestamptz,
        ADD COLUMN settled_at timestamptz,
        ADD COLUMN settled_by uuid,
        ADD COLUMN edited_at timestamptz,
        ADD COLUMN deleted_at timestamptz,
        ADD COLUMN copied_from uuid,
        ADD UNIQUE (workspace_id, id, post_id, room),
        -- an answer stands in the room and beside the post of what it answers
        ADD FOREIGN KEY (workspace_id, thread_id, post_id, room) REFERENCES remarks (workspace_id, id, post_id, room),
        ADD FOREIGN KEY (workspace_id, copied_from) REFERENCES remarks (workspace_id, id),
        ADD CHECK (replacement IS NULL OR pin ->> 'kind' = 'words'),
        ADD CHECK (decided_as IS NULL OR replacement IS NOT NULL),
        ADD CHECK ((decided_as IS NULL) = (decided_at IS NULL)),
        ADD CHECK (thread_id IS NULL OR settled_at IS NULL),
        -- what was said to the client can be copied inside, never the other way
        ADD CHECK (copied_from IS NULL OR room = 'house');
      GRANT UPDATE ON remarks TO ask_first_web;
      CREATE TABLE remark_mentions (
        workspace_id uuid NOT NULL,
        remark_id uuid NOT NULL,
        person_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, remark_id, person_id),
        FOREIGN KEY (workspace_id, remark_id) REFERENCES remarks (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE TABLE remark_files (
        workspace_id uuid NOT NULL,
        remark_id uuid NOT NULL,
        file_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, remark_id, file_id),
        FOREIGN KEY (workspace_id, remark_id) REFERENCES remarks (workspace_id, id),
        FOREIGN KEY (workspace_id, file_id) REFERENCES brand_files (workspace_id, id)
      );
      GRANT SELECT, INSERT ON remark_mentions, remark_files TO ask_first_web;
      GRANT SELECT ON remark_mentions, remark_files TO ask_first_jobs;

      ALTER TABLE notices ALTER COLUMN due_at DROP NOT NULL, ADD COLUMN read_at timestamptz;
      -- what was told before there was a place to read it
      UPDATE notices SET read_at = at;
      CREATE INDEX notices_of_person ON notices (person_id, at DESC);
      GRANT UPDATE (read_at) ON notices TO ask_first_web;
    SQL
    AskFirst::Store::ClientTable.add(self, :remark_mentions, :remark_files)
  end
end
