# frozen_string_literal: true

# Row-level security: the web role reads and writes only rows of the workspaces that the transaction's scope names, even
# when a query forgets its own. Without a scope it sees nothing. The scope is one setting,
# "side:person:workspaces:secret".
#
# Policies are computed once a statement, not once a row (inline they are three to a thousand times slower). That of
# the scope is a hashed set: `= any(array)` would be as good for one client, but PostgreSQL takes it into the index
# condition, and a lateral list over 200 clients then looks 200 times into the index for each of them.
Sequel.migration do
  up do
    run <<~SQL
      CREATE EXTENSION IF NOT EXISTS pg_trgm;

      -- after SET LOCAL an unset value reads '', hence nullif
      CREATE FUNCTION app_workspaces() RETURNS uuid[] LANGUAGE sql STABLE AS $$
        SELECT string_to_array(nullif(split_part(nullif(current_setting('ask_first.scope', true), ''), ':', 3), ''), ',')::uuid[]
      $$;
      CREATE FUNCTION app_person() RETURNS uuid LANGUAGE sql STABLE AS $$
        SELECT nullif(split_part(nullif(current_setting('ask_first.scope', true), ''), ':', 2), '')::uuid
      $$;
      -- the digest of a link's secret: whoever holds the secret may find its one row
      CREATE FUNCTION app_secret() RETURNS bytea LANGUAGE sql STABLE AS $$
        SELECT decode(nullif(split_part(nullif(current_setting('ask_first.scope', true), ''), ':', 4), ''), 'hex')
      $$;
      -- where the person is a member: for a scope that names a person and no workspace yet
      CREATE FUNCTION app_my_workspaces() RETURNS uuid[] LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
        SELECT CASE WHEN app_workspaces() IS NULL THEN
          ARRAY(SELECT workspace_id FROM memberships WHERE person_id = app_person() AND ended_at IS NULL) END
      $$;
    SQL

    tables =
      from(Sequel[:information_schema][:columns]).where(
        table_schema: "public",
        column_name: "workspace_id"
      ).select_order_map(:table_name)
    (tables + ["workspaces"]).each do |table|
      column = table == "workspaces" ? "id" : "workspace_id"
      run <<~SQL
        ALTER TABLE #{table} ENABLE ROW LEVEL SECURITY;
        CREATE POLICY web_scope ON #{table} TO ask_first_web
          USING (#{column} IN (SELECT unnest(app_workspaces()))) WITH CHECK (#{column} IN (SELECT unnest(app_workspaces())));
        CREATE POLICY jobs_all ON #{table} TO ask_first_jobs USING (true) WITH CHECK (true);
      SQL
    end
    run <<~SQL
      CREATE POLICY web_own ON workspaces FOR SELECT TO ask_first_web USING (id = ANY((SELECT app_my_workspaces())::uuid[]));
      CREATE POLICY web_own ON memberships FOR SELECT TO ask_first_web
        USING ((SELECT app_workspaces()) IS NULL AND person_id = (SELECT app_person()));
      CREATE POLICY web_own ON membership_channels FOR SELECT TO ask_first_web
        USING (workspace_id = ANY((SELECT app_my_workspaces())::uuid[]));
      CREATE POLICY web_secret ON guest_passes FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()));
      CREATE POLICY web_secret ON guest_visits FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()));
      CREATE POLICY web_secret ON invitations FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()));
      CREATE POLICY web_secret ON connect_tries FOR SELECT TO ask_first_web USING (state_digest = (SELECT app_secret()));

      -- Finding by words. ILIKE is not leak-proof, so under a policy its index would not be used: this function looks as the
      -- owner and applies the same scope itself, hoisted too (computed once a row it is sixty times slower over 200 clients).
      CREATE INDEX posts_subject_words ON posts USING gin (subject gin_trgm_ops);
      CREATE INDEX parts_text_words ON parts USING gin ((value #>> '{}') gin_trgm_ops) WHERE part = 'text';
      CREATE FUNCTION app_find_posts(words text, most int) RETURNS TABLE (workspace_id uuid, id uuid)
      LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
        SELECT found.workspace_id, found.id FROM (
          SELECT p.workspace_id, p.id FROM posts p WHERE p.workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND p.subject ILIKE words
          UNION
          SELECT t.workspace_id, t.post_id FROM parts t
          WHERE t.workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND t.part = 'text' AND (t.value #>> '{}') ILIKE words) found
        ORDER BY found.id DESC LIMIT most
      $$;
      REVOKE EXECUTE ON FUNCTION app_find_posts(text, int), app_my_workspaces() FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION app_find_posts(text, int), app_my_workspaces() TO ask_first_web, ask_first_jobs;

      -- Rows that are never changed go only with their whole client, at the end of its grace, and only as the owner.
      CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND current_user = 'ask_first_owner' AND current_setting('ask_first.purging', true) = 'on' THEN
          RETURN NULL;
        END IF;
        RAISE EXCEPTION 'rows of % are never changed or removed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
      END $$;

      CREATE FUNCTION app_purge_client(client uuid, at_time timestamptz, line uuid, salt bytea) RETURNS text
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
        FOREACH one IN ARRAY ARRAY['record', 'notices', 'remarks', 'attempts', 'releases', 'showings', 'holds', 'ready_marks', 'openings',
          'rulings', 'answers', 'guest_visits', 'guest_passes', 'ask_line_adaptations', 'ask_lines', 'ask_places', 'ask_people', 'asks', 'tasks',
          'revision_adaptations', 'revisions', 'renditions', 'parts', 'adaptations', 'posts', 'media', 'route_step_people', 'route_steps',
          'routes', 'channel_set_channels', 'channel_sets', 'channels_off', 'connect_tries', 'membership_channels', 'invitation_channels',
          'invitations', 'channels', 'connections', 'stand_ins', 'brand_files', 'brand_parts', 'memberships']
        LOOP
          EXECUTE format('DELETE FROM %I WHERE workspace_id = $1', one) USING client;
        END LOOP;
        DELETE FROM workspaces WHERE id = client;
        PERFORM set_config('ask_first.purging', '', true);
        INSERT INTO agency_record (id, agency_id, at, process, act, facts, salt)
          VALUES (line, gone.agency_id, at_time, 'dispatcher', 'client_purged', jsonb_build_object('name', gone.name, 'posts', posts_gone), salt);
        RETURN gone.name;
      END $$;
      REVOKE EXECUTE ON FUNCTION app_purge_client(uuid, timestamptz, uuid, bytea) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION app_purge_client(uuid, timestamptz, uuid, bytea) TO ask_first_jobs;
    SQL
  end
end
