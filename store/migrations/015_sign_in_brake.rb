# frozen_string_literal: true

# Wrong tries to sign in, by a digest of the name that was typed: known or not, each is kept alike. They take the
# place of locking an account for a day, with which anybody could lock anybody out.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE sign_in_tries (
        id uuid PRIMARY KEY,
        name_digest bytea NOT NULL CHECK (length(name_digest) = 32),
        address text NOT NULL,
        device text,
        at timestamptz NOT NULL,
        told boolean NOT NULL DEFAULT false -- whether the person was told by mail because of it
      );
      CREATE INDEX sign_in_tries_name ON sign_in_tries (name_digest, at);
      CREATE INDEX sign_in_tries_address ON sign_in_tries (address, at);
      CREATE INDEX sign_in_tries_at ON sign_in_tries (at);
      GRANT SELECT, INSERT, DELETE ON sign_in_tries TO ask_first_web;
      GRANT SELECT, DELETE ON sign_in_tries TO ask_first_jobs;

      DROP TABLE account_lockouts, account_login_failures;
    SQL
