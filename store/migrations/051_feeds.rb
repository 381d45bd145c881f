# frozen_string_literal: true

require_relative "../client_table"

# Feeds of a client: addresses of its own site, or folders of its media, whose new items come in as ideas or drafts.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE feeds (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 120),
        address text CHECK (length(address) <= 2000),
        folder_id uuid,
        makes text NOT NULL DEFAULT 'idea' CHECK (makes IN ('idea', 'draft')),
        -- see Core::Feeds::FeedRule
        rule jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(rule) = 'object'),
        group_id uuid,
        channel_id uuid,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        begun_at timestamptz,
        take int NOT NULL DEFAULT 0 CHECK (take BETWEEN 0 AND 10), -- of what was there when it began
        started boolean NOT NULL DEFAULT false, -- whether what was there when it began has been seen to
        paused_at timestamptz,
        version int NOT NULL DEFAULT 1 CHECK (version > 0),
        -- its newest items, for trying a rule on
        recent jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(recent) = 'array'),
        -- its health
        state text NOT NULL DEFAULT 'new' CHECK (state IN ('new', 'fine', 'private', 'silent', 'broken', 'refused', 'gone', 'nobody')),
        said text NOT NULL DEFAULT '' CHECK (length(said) <= 500),
        failures int NOT NULL DEFAULT 0 CHECK (failures >= 0),
        read_at timestamptz,
        next_at timestamptz NOT NULL,
        etag text CHECK (length(etag) <= 1000),
        last_modified text CHECK (length(last_modified) <= 200),
        robots_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, folder_id) REFERENCES media_folders (workspace_id, id),
        FOREIGN KEY (workspace_id, group_id) REFERENCES idea_groups (workspace_id, id) ON DELETE SET NULL (group_id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id),
        CHECK ((address IS NULL) <> (folder_id IS NULL))
      );
      CREATE INDEX feeds_due ON feeds (next_at) WHERE paused_at IS NULL;
      CREATE UNIQUE INDEX feeds_once ON feeds (workspace_id, md5(address)) WHERE address IS NOT NULL;
      CREATE UNIQUE INDEX feeds_of_folder ON feeds (workspace_id, folder_id) WHERE folder_id IS NOT NULL;

      -- What has come of a feed, each item once: an item is known by any of its keys (Core::Feeds::FeedItem).
      CREATE TABLE feed_items (
        workspace_id uuid NOT NULL,
        feed_id uuid NOT NULL,
        id uuid NOT NULL,
        title text NOT NULL CHECK (length(title) <= 300),
        outcome text NOT NULL CHECK (outcome IN ('idea', 'draft', 'passed', 'before')),
        idea_id uuid,
        at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, feed_id, id),
        FOREIGN KEY (workspace_id, feed_id) REFERENCES feeds (workspace_id, id) ON DELETE CASCADE,
        FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id)
      );
      CREATE TABLE feed_keys (
        workspace_id uuid NOT NULL,
        feed_id uuid NOT NULL,
        digest bytea NOT NULL,
        item_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, feed_id, digest),
        FOREIGN KEY (workspace_id, feed_id, item_id) REFERENCES feed_items (workspace_id, feed_id, id) ON DELETE CASCADE
      );

      GRANT SELECT, INSERT, UPDATE, DELETE ON feeds TO ask_first_web;
      GRANT SELECT, INSERT, DELETE ON feed_items, feed_keys TO ask_first_web;
      GRANT SELECT, UPDATE ON feeds TO ask_first_jobs;
      GRANT SELECT, INSERT ON feed_items, feed_keys TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :feeds, :feed_items, :feed_keys)
  end
end
