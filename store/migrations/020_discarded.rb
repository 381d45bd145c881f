# frozen_string_literal: true

# A draft that was thrown away is seen by nobody, in no list and by no process, and can be brought back. The policies say
# so, once for every query there is.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE posts
        ADD COLUMN discarded_at timestamptz,
        ADD COLUMN discarded_by uuid,
        ADD CONSTRAINT posts_discarded_by FOREIGN KEY (workspace_id, discarded_by)
          REFERENCES memberships (workspace_id, person_id),
        ADD CONSTRAINT posts_discarded CHECK ((discarded_at IS NULL) = (discarded_by IS NULL)),
        ADD CONSTRAINT posts_discarded_are_drafts
          CHECK (discarded_at IS NULL OR stage IN ('drafting', 'changes_wanted'));

      DROP POLICY web_scope ON posts;
      CREATE POLICY web_scope ON posts TO ask_first_web
        USING (workspace_id IN (SELECT unnest(app_workspaces())) AND discarded_at IS NULL)
        WITH CHECK (workspace_id IN (SELECT unnest(app_workspaces())));
      DROP POLICY jobs_all ON posts;
      CREATE POLICY jobs_all ON posts TO ask_first_jobs USING (discarded_at IS NULL) WITH CHECK (true);

      -- A role that cannot see a row cannot make it one that it cannot see: these two can. What was released and what is
      -- asked for stays where it is, whoever calls.
      CREATE FUNCTION app_discard_post(client uuid, post uuid, person uuid, at_time timestamptz) RETURNS boolean
      LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
        UPDATE posts SET discarded_at = at_time, discarded_by = person
        WHERE workspace_id = client AND client = ANY((SELECT app_workspaces())::uuid[]) AND id = post AND discarded_at IS NULL
          AND NOT EXISTS (SELECT 1 FROM releases r
                          WHERE r.workspace_id = client AND r.post_id = post AND r.ended_at IS NULL)
          AND NOT EXISTS (SELECT 1 FROM ask_lines l
                          WHERE l.workspace_id = client AND l.post_id = post AND l.ended_at IS NULL)
        RETURNING true
      $$;
      CREATE FUNCTION app_bring_back_post(client uuid, post uuid, person uuid) RETURNS boolean
      LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
        UPDATE posts SET discarded_at = NULL, discarded_by = NULL
        WHERE workspace_id = client AND client = ANY((SELECT app_workspaces())::uuid[]) AND id = post
          AND discarded_by = person
        RETURNING true
      $$;
      REVOKE EXECUTE ON FUNCTION app_discard_post(uuid, uuid, uuid, timestamptz), app_bring_back_post(uuid, uuid, uuid)
        FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION app_discard_post(uuid, uuid, uuid, timestamptz), app_bring_back_post(uuid, uuid, uuid)
        TO ask_first_web, ask_first_jobs;
    SQL
