# frozen_string_literal: true

# What goes out around a post is found along its time.
Sequel.migration { up { run "CREATE INDEX posts_by_time ON posts (workspace_id, at) WHERE at IS NOT NULL" } }
