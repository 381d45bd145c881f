# frozen_string_literal: true

# A post is found in a month by its first time (posts_by_time), and by a time that one of its channels has of its own.
Sequel.migration { up { run <<~SQL } }
      CREATE INDEX parts_own_times ON parts (workspace_id, (value ->> 'wall'))
        WHERE part = 'time' AND channel_id IS NOT NULL;
    SQL
