# frozen_string_literal: true

# One word from the database to the documents: a process has a heartbeat. Rights and indexes follow the column.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE dispatchers RENAME COLUMN beat_at TO heartbeat_at;
      ALTER TABLE workers RENAME COLUMN beat_at TO heartbeat_at;
    SQL
