# frozen_string_literal: true

# What a picture looks like is read by a job: how it looks on the screen, what it is near to, where its words seem to
# be. And of where it was taken what its file says.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE media
        ADD COLUMN read_at timestamptz,
        -- boxes around what seems to be words, until a person has said where they are
        ADD COLUMN guess jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(guess) = 'array'),
        ADD COLUMN latitude double precision CHECK (latitude BETWEEN -90 AND 90),
        ADD COLUMN longitude double precision CHECK (longitude BETWEEN -180 AND 180),
        ADD CONSTRAINT media_place CHECK ((latitude IS NULL) = (longitude IS NULL));
      UPDATE media SET read_at = added_at;
      GRANT UPDATE (guess) ON media TO ask_first_web;
      GRANT UPDATE (read_at, guess, likeness, near_to) ON media TO ask_first_jobs;
    SQL
