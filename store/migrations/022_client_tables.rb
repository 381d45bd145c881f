# frozen_string_literal: true

require_relative "../client_table"

# The purge of a client knows its tables from the catalogue, through one list that every migration keeps by
# ClientTable.add.
Sequel.migration do
  up do
    AskFirst::Store::ClientTable.add(self)
    run <<~SQL
      CREATE OR REPLACE FUNCTION app_purge_client(client uuid, at_time timestamptz, line uuid, salt bytea) RETURNS text
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
      DECLARE
        gone workspaces%ROWTYPE;
        one text;
        posts_gone bigint;
      BEGIN
        SELECT * INTO gone FROM workspaces WHERE id = client AND deleted_at <= at_time - interval '14 days' FOR UPDATE;
        IF NOT FOUND THEN RETURN NULL; END IF;
        SELECT count(*) INTO posts_gone FROM posts WHERE workspace_id = client;
        PERFORM set_config('ask_first.purging', 'on', true);
        FOREACH one IN ARRAY app_client_tables()
        LOOP
          EXECUTE format('DELETE FROM %I WHERE workspace_id = $1', one) USING client;
        END LOOP;
        DELETE FROM workspaces WHERE id = client;
        PERFORM set_config('ask_first.purging', '', true);
        INSERT INTO agency_record (id, agency_id, at, process, act, facts, salt)
          VALUES (line, gone.agency_id, at_time, 'dispatcher', 'client_purged',
                  jsonb_build_object('name', gone.name, 'posts', posts_gone), salt);
        RETURN gone.name;
      END $$;
    SQL
  end
end
