# frozen_string_literal: true

# How many pictures of a film are seen in a second.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE media ADD COLUMN frame_rate numeric(9, 3) CHECK (frame_rate IS NULL OR (frame_rate > 0 AND kind = 'video'));
    SQL
