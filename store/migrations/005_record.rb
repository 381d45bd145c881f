# frozen_string_literal: true

# The record: inserts only. The salt is for the tree that seals the rows.
Sequel.migration { up { run <<~SQL } }
      CREATE TABLE record (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        at timestamptz NOT NULL,
        person_id uuid,
        pass_id uuid,
        process text,
        from_address text,
        act text NOT NULL,
        post_id uuid,
        adaptation_id uuid,
        revision_id uuid,
        facts jsonb NOT NULL DEFAULT '{}',
        salt bytea NOT NULL CHECK (length(salt) = 16),
        order_no bigint NOT NULL GENERATED ALWAYS AS IDENTITY,
        PRIMARY KEY (workspace_id, id),
        CHECK (person_id IS NOT NULL OR process IS NOT NULL)
      );
      CREATE INDEX record_of_post ON record (workspace_id, post_id, order_no);
      CREATE TRIGGER record_append_only BEFORE UPDATE OR DELETE ON record EXECUTE FUNCTION refuse_change();

      -- one answer for a repeated unsafe call
      CREATE TABLE idempotency_keys (
        caller uuid NOT NULL,
        key text NOT NULL CHECK (length(key) BETWEEN 8 AND 200),
        route text NOT NULL,
        body_digest text NOT NULL,
        status int,
        body text,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (caller, key)
      );
    SQL
