# frozen_string_literal: true

# Whether a fixture makes its drafts by itself, when they should be begun.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE fixtures ADD COLUMN makes boolean NOT NULL DEFAULT false;
      CREATE INDEX fixtures_that_make ON fixtures (workspace_id) WHERE makes;
    SQL
