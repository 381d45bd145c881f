# frozen_string_literal: true

require "que"

# Que's tables, and what each database role may do. The web role adds to the record and can never touch what is in it.
Sequel.migration do
  up do
    Que.connection = self
    Que.migrate!(version: 7)
    run <<~SQL
      -- what message_bus keeps its messages in (made here, since the web role may make no tables)
      CREATE TABLE message_bus (
        id bigserial PRIMARY KEY,
        channel text NOT NULL,
        value text NOT NULL CHECK (octet_length(value) >= 2),
        added_at timestamp DEFAULT CURRENT_TIMESTAMP NOT NULL
      );
      CREATE INDEX table_channel_id_index ON message_bus (channel, id);
      CREATE INDEX table_added_at_index ON message_bus (added_at);

      GRANT USAGE ON SCHEMA public TO ask_first_web, ask_first_jobs;
      GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO ask_first_web, ask_first_jobs;
      GRANT SELECT ON ALL TABLES IN SCHEMA public TO ask_first_web, ask_first_jobs;
      GRANT INSERT ON ALL TABLES IN SCHEMA public TO ask_first_web, ask_first_jobs;
      REVOKE INSERT ON agencies, schema_info FROM ask_first_web, ask_first_jobs;

      GRANT UPDATE ON people, workspaces, memberships, channels, posts, adaptations, parts, tasks, asks, ask_lines,
        ask_line_adaptations, guest_passes, openings, holds, showings, releases, idempotency_keys, dispatcher_beats
        TO ask_first_web, ask_first_jobs;
      GRANT DELETE ON parts, idempotency_keys TO ask_first_web, ask_first_jobs;
      -- a row lock needs the right to update; the agency's row is the outermost gate
      GRANT UPDATE (zone) ON agencies TO ask_first_web, ask_first_jobs;
      GRANT UPDATE, DELETE ON account_password_hashes, account_login_failures, account_lockouts, account_active_session_keys
        TO ask_first_web;

      GRANT DELETE ON message_bus TO ask_first_web, ask_first_jobs;
      GRANT UPDATE, DELETE ON que_jobs, que_lockers, que_values TO ask_first_jobs, ask_first_web;
    SQL
  end
end
