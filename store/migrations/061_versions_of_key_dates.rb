# frozen_string_literal: true

# Two who change a key date at once: the second is told what the first made of it.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE key_dates ADD COLUMN version int NOT NULL DEFAULT 1 CHECK (version > 0);
    SQL
