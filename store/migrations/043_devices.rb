# frozen_string_literal: true

# A PIN by mail on each new device that opens a guest pass, where the client wants it.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE workspaces ADD COLUMN review_pin boolean NOT NULL DEFAULT false;
      ALTER TABLE guest_visits
        ADD COLUMN pin_digest bytea CHECK (length(pin_digest) = 32),
        ADD COLUMN pin_until timestamptz,
        ADD COLUMN pin_tries int NOT NULL DEFAULT 0,
        ADD COLUMN pins_sent int NOT NULL DEFAULT 0,
        ADD COLUMN verified_at timestamptz,
        ADD CHECK ((pin_digest IS NULL) = (pin_until IS NULL));
      GRANT UPDATE ON guest_visits TO ask_first_web, ask_first_jobs;
    SQL
