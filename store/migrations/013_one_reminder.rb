# frozen_string_literal: true

# A reminder stands once in a list. Two who saved the list in one moment could have made it twice: the older one
# stays, with what was ticked of either.
Sequel.migration { up { run <<~SQL } }
      CREATE TEMPORARY TABLE twice ON COMMIT DROP AS
        SELECT workspace_id, id, first_value(id) OVER same AS kept
          FROM reminders WHERE dropped_at IS NULL
        WINDOW same AS (PARTITION BY workspace_id, words ORDER BY made_at, id);
      INSERT INTO reminder_ticks (workspace_id, post_id, reminder_id, ticked_by, ticked_at)
        SELECT t.workspace_id, t.post_id, twice.kept, t.ticked_by, t.ticked_at
          FROM reminder_ticks t JOIN twice ON twice.workspace_id = t.workspace_id AND twice.id = t.reminder_id
         WHERE twice.id <> twice.kept
            ON CONFLICT DO NOTHING;
      UPDATE reminders SET dropped_at = made_at
        FROM twice WHERE twice.workspace_id = reminders.workspace_id AND twice.id = reminders.id AND twice.id <> twice.kept;
      CREATE UNIQUE INDEX reminders_stand_once ON reminders (workspace_id, words) WHERE dropped_at IS NULL;
    SQL
