# frozen_string_literal: true

require_relative "../client_table"

# The record of each client as a growing Merkle tree (RFC 6962). A row has its place once it is older than every running
# transaction, so that nothing can come in before it.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE record ADD COLUMN tx xid8 NOT NULL DEFAULT pg_current_xact_id();
      CREATE INDEX record_in_order ON record (workspace_id, order_no);
      CREATE TABLE record_leaves (
        workspace_id uuid NOT NULL,
        position bigint NOT NULL CHECK (position >= 0),
        record_id uuid NOT NULL,
        hash bytea NOT NULL CHECK (length(hash) = 32),
        PRIMARY KEY (workspace_id, position),
        UNIQUE (workspace_id, record_id),
        FOREIGN KEY (workspace_id, record_id) REFERENCES record (workspace_id, id)
      );
      CREATE TRIGGER record_leaves_append_only BEFORE UPDATE OR DELETE ON record_leaves EXECUTE FUNCTION refuse_change();
      CREATE TABLE record_tops (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        size bigint NOT NULL CHECK (size > 0),
        root bytea NOT NULL CHECK (length(root) = 32),
        peaks bytea NOT NULL CHECK (length(peaks) % 32 = 0),
        upto bigint NOT NULL,
        at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, size)
      );
      CREATE TRIGGER record_tops_append_only BEFORE UPDATE OR DELETE ON record_tops EXECUTE FUNCTION refuse_change();
      GRANT SELECT ON record_leaves, record_tops TO ask_first_web;
      GRANT SELECT, INSERT ON record_leaves, record_tops TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :record_leaves, :record_tops)
  end
end
