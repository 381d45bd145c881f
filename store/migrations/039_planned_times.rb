# frozen_string_literal: true

# When a part plans something for, as a column of its own. The policies let an index be asked only by operators that
# cannot leak; that which reads a key out of JSON is none of them, so that a month read every planned time of its client.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE parts
        ADD COLUMN planned text COLLATE "C" GENERATED ALWAYS AS (CASE WHEN part = 'time' THEN value ->> 'wall' END) STORED;
      DROP INDEX parts_times;
      CREATE INDEX parts_times ON parts (workspace_id, planned) INCLUDE (post_id) WHERE part = 'time';
    SQL
