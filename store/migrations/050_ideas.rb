# frozen_string_literal: true

require_relative "../client_table"

# Ideas of a client: kept for later, in groups of the house's own, rated by vote, and made into posts or pencil marks.
# What an idea has become is read from the posts and marks that point at it, so that it can never say something else.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE workspaces ADD COLUMN clients_give_ideas boolean NOT NULL DEFAULT false;

      CREATE TABLE idea_groups (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        name text NOT NULL CHECK (name <> '' AND length(name) <= 60),
        place int NOT NULL,
        PRIMARY KEY (workspace_id, id)
      );
      CREATE UNIQUE INDEX idea_group_names ON idea_groups (workspace_id, lower(name));

      CREATE TABLE ideas (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        title text NOT NULL CHECK (title <> '' AND length(title) <= 300),
        note text NOT NULL DEFAULT '' CHECK (length(note) <= 20000),
        link text CHECK (length(link) <= 4000),
        audience text NOT NULL DEFAULT '' CHECK (length(audience) <= 500),
        category text NOT NULL DEFAULT '' CHECK (length(category) <= 60),
        -- [{"words", "volume", "competition"}]
        keywords jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(keywords) = 'array'),
        channel_id uuid,
        status text NOT NULL DEFAULT 'thought' CHECK (status IN ('thought', 'ready', 'aside')),
        group_id uuid,
        place int NOT NULL,
        due_on date,
        -- where it came in
        came text NOT NULL DEFAULT 'hand' CHECK (came IN ('hand', 'mail', 'client', 'feed')),
        side text NOT NULL CHECK (side IN ('agency', 'client')),
        given_by uuid,
        given_at timestamptz NOT NULL,
        -- a cache of the votes: see Core::Ideas::Worth
        votes int NOT NULL DEFAULT 0,
        worth int NOT NULL DEFAULT 0,
        dropped_at timestamptz,
        version int NOT NULL DEFAULT 1 CHECK (version > 0),
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id),
        FOREIGN KEY (workspace_id, group_id) REFERENCES idea_groups (workspace_id, id),
        FOREIGN KEY (workspace_id, given_by) REFERENCES memberships (workspace_id, person_id),
        CHECK (given_by IS NOT NULL OR came = 'feed')
      );
      CREATE INDEX ideas_in_group ON ideas (workspace_id, group_id, place, id) WHERE dropped_at IS NULL;
      CREATE INDEX ideas_given_by ON ideas (workspace_id, given_by, id);

      CREATE TABLE idea_media (
        workspace_id uuid NOT NULL,
        idea_id uuid NOT NULL,
        media_id uuid NOT NULL,
        place int NOT NULL,
        PRIMARY KEY (workspace_id, idea_id, media_id),
        FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id),
        FOREIGN KEY (workspace_id, media_id) REFERENCES media (workspace_id, id)
      );
      CREATE INDEX ideas_of_media ON idea_media (workspace_id, media_id);

      CREATE TABLE idea_votes (
        workspace_id uuid NOT NULL,
        idea_id uuid NOT NULL,
        person_id uuid NOT NULL,
        worth smallint NOT NULL CHECK (worth BETWEEN 1 AND 5),
        at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, idea_id, person_id),
        FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );

      -- a person's private address for ideas by mail: its digest finds it, sealed it can be shown to its owner again
      CREATE TABLE idea_addresses (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        digest bytea NOT NULL,
        person_id uuid NOT NULL,
        sealed bytea NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, person_id),
        UNIQUE (digest),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );

      -- mails to such addresses, each once, with what became of it
      CREATE TABLE idea_mails (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        digest bytea NOT NULL,
        sender text NOT NULL,
        outcome text NOT NULL,
        idea_id uuid,
        at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, digest),
        FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id)
      );
      CREATE INDEX idea_mails_of_late ON idea_mails (workspace_id, at);

      ALTER TABLE posts
        ADD COLUMN idea_id uuid,
        ADD CONSTRAINT posts_idea FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id);
      CREATE INDEX posts_of_idea ON posts (workspace_id, idea_id) WHERE idea_id IS NOT NULL;
      ALTER TABLE pencil_marks
        ADD COLUMN idea_id uuid,
        ADD CONSTRAINT pencil_marks_idea FOREIGN KEY (workspace_id, idea_id) REFERENCES ideas (workspace_id, id);
      CREATE INDEX pencil_marks_of_idea ON pencil_marks (workspace_id, idea_id) WHERE idea_id IS NOT NULL;

      ALTER TABLE notices DROP CONSTRAINT notices_kind_check,
        ADD CONSTRAINT notices_kind_check
          CHECK (kind IN ('asked', 'task', 'answered', 'late', 'talk', 'mention', 'idea', 'trouble'));

      GRANT SELECT, INSERT, UPDATE, DELETE ON idea_groups, idea_media, idea_votes, idea_addresses TO ask_first_web;
      GRANT SELECT, INSERT, UPDATE ON ideas TO ask_first_web;
      GRANT SELECT ON idea_mails TO ask_first_web;
      GRANT SELECT ON idea_groups, idea_votes, idea_addresses TO ask_first_jobs;
      GRANT SELECT, INSERT ON ideas, idea_media, idea_mails TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :idea_groups, :ideas, :idea_media, :idea_votes, :idea_addresses, :idea_mails)
  end
end
