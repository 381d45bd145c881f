# frozen_string_literal: true

require_relative "../client_table"

# Films that are being made of others, which takes a while; and the picture by which a film is shown.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE media
        ADD COLUMN cover_ms int CHECK (cover_ms >= 0),
        ADD CONSTRAINT media_cover_within CHECK (cover_ms IS NULL OR (kind = 'video' AND cover_ms <= duration_ms));
      GRANT UPDATE (cover_ms) ON media TO ask_first_web;

      CREATE TABLE film_edits (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        media_id uuid NOT NULL,
        -- see Core::Media::FilmEdit
        edit jsonb NOT NULL CHECK (jsonb_typeof(edit) = 'object'),
        copy boolean NOT NULL,
        post_ids uuid[] NOT NULL,
        person_id uuid NOT NULL REFERENCES people,
        asked_at timestamptz NOT NULL,
        -- the film that is made, known before it is there: whoever is killed in between makes no second one
        made_id uuid NOT NULL,
        ended_at timestamptz,
        wrong text CHECK (wrong IS NULL OR ended_at IS NOT NULL),
        PRIMARY KEY (workspace_id, id),
        UNIQUE (workspace_id, made_id),
        FOREIGN KEY (workspace_id, media_id) REFERENCES media (workspace_id, id)
      );
      CREATE INDEX film_edits_of ON film_edits (workspace_id, media_id);
      GRANT SELECT, INSERT ON film_edits TO ask_first_web;
      GRANT SELECT ON film_edits TO ask_first_jobs;
      GRANT UPDATE (ended_at, wrong) ON film_edits TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :film_edits)
  end
end
