# frozen_string_literal: true

# What was discarded is listed and found, and restored by everybody who may discard it: who that is, the application says.
Sequel.migration { up { run <<~SQL } }
      CREATE INDEX posts_discarded_newest ON posts (workspace_id, discarded_at DESC, id) WHERE discarded_at IS NOT NULL;

      CREATE FUNCTION app_discarded_posts() RETURNS SETOF posts
      LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
        SELECT * FROM posts
        WHERE workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND discarded_at IS NOT NULL
      $$;
      DROP FUNCTION app_bring_back_post(uuid, uuid, uuid);
      CREATE FUNCTION app_bring_back_post(client uuid, post uuid) RETURNS boolean
      LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
        UPDATE posts SET discarded_at = NULL, discarded_by = NULL
        WHERE workspace_id = client AND client = ANY((SELECT app_workspaces())::uuid[]) AND id = post
          AND discarded_at IS NOT NULL
        RETURNING true
      $$;
      REVOKE EXECUTE ON FUNCTION app_discarded_posts(), app_bring_back_post(uuid, uuid) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION app_discarded_posts(), app_bring_back_post(uuid, uuid) TO ask_first_web, ask_first_jobs;
    SQL
