# frozen_string_literal: true

require_relative "../client_table"

# Several routes of a client: one for all posts, others for a campaign or a post. Steps with conditions and with roles.
# A step keeps its row as long as it demands the same; one that is not part of its route any more is retired, and stays
# in the demand of the posts that were asked for it.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE routes
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ADD COLUMN releases_itself boolean NOT NULL DEFAULT false,
        ADD COLUMN locks_time boolean NOT NULL DEFAULT false,
        ADD COLUMN archived_at timestamptz,
        ADD CHECK (length(name) BETWEEN 1 AND 60),
        ADD CHECK (NOT (is_default AND archived_at IS NOT NULL));
      UPDATE routes SET archived_at = now() WHERE NOT is_default;
      CREATE UNIQUE INDEX routes_names ON routes (workspace_id, lower(name)) WHERE archived_at IS NULL;

      ALTER TABLE route_steps
        ADD COLUMN condition jsonb CHECK (jsonb_typeof(condition) = 'object'),
        ADD COLUMN retired_at timestamptz,
        DROP CONSTRAINT route_steps_workspace_id_route_id_position_key;
      UPDATE route_steps s SET retired_at = r.archived_at FROM routes r
        WHERE (r.workspace_id, r.id) = (s.workspace_id, s.route_id) AND r.archived_at IS NOT NULL;
      -- a column of its own, so that two steps can change places in one statement
      ALTER TABLE route_steps ADD EXCLUDE USING btree (workspace_id WITH =, route_id WITH =, position WITH =)
        WHERE (retired_at IS NULL) DEFERRABLE INITIALLY DEFERRED;

      CREATE TABLE route_step_roles (
        workspace_id uuid NOT NULL,
        step_id uuid NOT NULL,
        role_id uuid NOT NULL REFERENCES roles,
        PRIMARY KEY (workspace_id, step_id, role_id),
        FOREIGN KEY (workspace_id, step_id) REFERENCES route_steps (workspace_id, id)
      );
      ALTER TABLE posts ADD COLUMN route_id uuid,
        ADD FOREIGN KEY (workspace_id, route_id) REFERENCES routes (workspace_id, id);
      CREATE INDEX posts_of_route ON posts (workspace_id, route_id) WHERE route_id IS NOT NULL;
      ALTER TABLE campaigns ADD COLUMN route_id uuid,
        ADD FOREIGN KEY (workspace_id, route_id) REFERENCES routes (workspace_id, id);
      CREATE INDEX campaigns_of_route ON campaigns (workspace_id, route_id) WHERE route_id IS NOT NULL;

      -- nobody: its route released it by itself, unless somebody had taken it back
      ALTER TABLE releases ALTER COLUMN released_by DROP NOT NULL,
        ADD COLUMN taken_back boolean NOT NULL DEFAULT false;
    SQL
    AskFirst::Store::ClientTable.add(self, :route_step_roles)
    run <<~SQL
      GRANT SELECT, INSERT, DELETE ON route_step_roles TO ask_first_web;
      GRANT SELECT ON route_step_roles TO ask_first_jobs;
      GRANT UPDATE ON routes, route_steps TO ask_first_web;
    SQL
  end
end
