# frozen_string_literal: true

# A saved view may be a wall too.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE saved_views DROP CONSTRAINT saved_views_look_check,
        ADD CONSTRAINT saved_views_look_check
          CHECK (look IN ('month', 'week', 'channels', 'wall', 'year', 'list'));
    SQL
