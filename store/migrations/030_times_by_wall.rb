# frozen_string_literal: true

# What goes out in a period is found by every planned time, the master's or a channel's own. A post's first time and the
# channels' own ones were not enough: where a channel goes out before the others, these others were not found.
Sequel.migration { up { run <<~SQL } }
      DROP INDEX parts_own_times;
      CREATE INDEX parts_times ON parts (workspace_id, (value ->> 'wall')) INCLUDE (post_id) WHERE part = 'time';
    SQL
