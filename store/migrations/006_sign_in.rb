# frozen_string_literal: true

# Rodauth's tables: password hashes, failed sign-ins, lock-outs and the list of open sessions.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE account_password_hashes (id uuid PRIMARY KEY REFERENCES people, password_hash text NOT NULL);
      CREATE TABLE account_login_failures (id uuid PRIMARY KEY REFERENCES people, number int NOT NULL DEFAULT 1);
      CREATE TABLE account_lockouts (
        id uuid PRIMARY KEY REFERENCES people,
        key text NOT NULL,
        deadline timestamptz NOT NULL,
        email_last_sent timestamptz
      );
      CREATE TABLE account_active_session_keys (
        account_id uuid NOT NULL REFERENCES people,
        session_id text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        last_use timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (account_id, session_id)
      );
    SQL
