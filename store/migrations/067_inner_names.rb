# frozen_string_literal: true

# A post's subject is read by the client, in the plan that is shared with them; an inner name beside it never is.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE posts
        ADD COLUMN inner_name text NOT NULL DEFAULT '' CHECK (length(inner_name) <= 300),
        ADD COLUMN inner_name_version int NOT NULL DEFAULT 1;
      CREATE INDEX posts_inner_name_words ON posts USING gin (inner_name gin_trgm_ops) WHERE inner_name <> '';

      CREATE OR REPLACE FUNCTION app_find_posts(words text, most int) RETURNS TABLE (workspace_id uuid, id uuid)
      LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
        SELECT found.workspace_id, found.id FROM (
          SELECT p.workspace_id, p.id FROM posts p WHERE p.workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND p.subject ILIKE words
          UNION
          SELECT p.workspace_id, p.id FROM posts p
          WHERE p.workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND p.inner_name <> '' AND p.inner_name ILIKE words
          UNION
          SELECT t.workspace_id, t.post_id FROM parts t
          WHERE t.workspace_id = ANY((SELECT app_workspaces())::uuid[]) AND t.part = 'text' AND (t.value #>> '{}') ILIKE words) found
        ORDER BY found.id DESC LIMIT most
      $$;
    SQL
