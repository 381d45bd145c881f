# frozen_string_literal: true

require_relative "../client_table"

# People and firms that posts are made with: what was talked, agreed, delivered, what it costs and what came of it.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE partners (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 120),
        kind text NOT NULL DEFAULT 'person' CHECK (kind IN ('person', 'firm')),
        status text NOT NULL DEFAULT 'talked' CHECK (status IN ('talked', 'agreed', 'delivered', 'out', 'ended')),
        contact text NOT NULL DEFAULT '' CHECK (length(contact) <= 500),
        link text CHECK (length(link) <= 4000),
        fee bigint CHECK (fee >= 0),
        currency text CHECK (currency ~ '^[A-Z]{3}$'),
        codes text NOT NULL DEFAULT '' CHECK (length(codes) <= 500),
        due_on date,
        note text NOT NULL DEFAULT '' CHECK (length(note) <= 20000),
        came text NOT NULL DEFAULT '' CHECK (length(came) <= 4000),
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        dropped_at timestamptz,
        merged_into uuid,
        version int NOT NULL DEFAULT 1 CHECK (version > 0),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id),
        FOREIGN KEY (workspace_id, merged_into) REFERENCES partners (workspace_id, id),
        CHECK ((fee IS NULL) = (currency IS NULL)),
        CHECK (merged_into IS NULL OR dropped_at IS NOT NULL)
      );
      CREATE INDEX partners_by_name ON partners (workspace_id, lower(name), id) WHERE dropped_at IS NULL;

      CREATE TABLE partner_posts (
        workspace_id uuid NOT NULL,
        partner_id uuid NOT NULL,
        post_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, partner_id, post_id),
        FOREIGN KEY (workspace_id, partner_id) REFERENCES partners (workspace_id, id),
        FOREIGN KEY (workspace_id, post_id) REFERENCES posts (workspace_id, id)
      );
      CREATE INDEX partners_of_post ON partner_posts (workspace_id, post_id);
      CREATE TABLE partner_ideas (
        workspace_id uuid NOT NULL,
        partner_id uuid NOT NULL,
        idea_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, partner_id, idea_id),
        FOREIGN KEY (workspace_id, partner_id) REFERENCES partners (workspace_id, id),
        FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id)
      );
      CREATE INDEX partners_of_idea ON partner_ideas (workspace_id, idea_id);

      ALTER TABLE brand_files
        ADD COLUMN partner_id uuid,
        ADD FOREIGN KEY (workspace_id, partner_id) REFERENCES partners (workspace_id, id),
        ADD CHECK (partner_id IS NULL OR (campaign_id IS NULL AND post_id IS NULL));
      CREATE INDEX brand_files_of_partner ON brand_files (workspace_id, partner_id) WHERE partner_id IS NOT NULL;

      GRANT SELECT, INSERT, UPDATE ON partners TO ask_first_web;
      GRANT SELECT, INSERT, DELETE ON partner_posts, partner_ideas TO ask_first_web;
      GRANT SELECT ON partners, partner_posts, partner_ideas TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :partners, :partner_posts, :partner_ideas)
  end
end
