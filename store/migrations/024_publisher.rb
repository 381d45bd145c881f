# frozen_string_literal: true

# Who publishes by hand for a client; empty: each post's owner.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE workspaces ADD COLUMN publisher_id uuid REFERENCES people (id);
    SQL
