# frozen_string_literal: true

# What a change was given over, whether a send may have arrived, ready marks that can be set again, and finding by a
# file who may see it.
Sequel.migration { up { run <<~SQL } }
      -- the content that stood when the answer was given; a block is not lifted by asking that again
      ALTER TABLE answers ADD COLUMN stood text CHECK (stood ~ '^[0-9a-f]{64}$');

      -- from the mark "sending" until the network or a person said that it is not there
      ALTER TABLE showings ADD COLUMN may_be_out boolean NOT NULL DEFAULT false;
      UPDATE showings SET may_be_out = true
        WHERE state IN ('sending', 'unclear', 'out') OR (state = 'trouble' AND (address IS NOT NULL OR trouble LIKE 'It may be out%'));

      -- ready, changed, ready, put back: it can be marked ready again
      ALTER TABLE ready_marks DROP CONSTRAINT ready_marks_workspace_id_adaptation_id_fingerprint_key;
      ALTER TABLE ready_marks ADD COLUMN order_no bigint;
      UPDATE ready_marks SET order_no = placed.number FROM (
        SELECT workspace_id, id, nextval('signoff_order') AS number FROM (SELECT * FROM ready_marks ORDER BY marked_at, id) older) placed
        WHERE (ready_marks.workspace_id, ready_marks.id) = (placed.workspace_id, placed.id);
      ALTER TABLE ready_marks ALTER COLUMN order_no SET NOT NULL, ALTER COLUMN order_no SET DEFAULT nextval('signoff_order');
      CREATE INDEX ready_marks_of_adaptation ON ready_marks (workspace_id, adaptation_id, order_no);

      -- a member limited to channels sees the files of what they may see
      CREATE INDEX parts_holding_media ON parts USING gin (value jsonb_path_ops) WHERE part IN ('media', 'link');
      CREATE INDEX revision_adaptations_renditions ON revision_adaptations USING gin (rendition_ids);
    SQL
