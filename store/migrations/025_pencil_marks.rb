# frozen_string_literal: true

require_relative "../client_table"

# "Something should go out here": a day and a channel that are kept, with no content yet. One for each day and channel.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE pencil_marks (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        day date NOT NULL,
        channel_id uuid NOT NULL,
        clock time,
        word text NOT NULL DEFAULT '' CHECK (length(word) <= 80),
        label_id uuid,
        made_by uuid NOT NULL,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, day, channel_id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id),
        FOREIGN KEY (workspace_id, label_id) REFERENCES labels (workspace_id, id),
        FOREIGN KEY (workspace_id, made_by) REFERENCES memberships (workspace_id, person_id)
      );
      GRANT SELECT, INSERT, UPDATE, DELETE ON pencil_marks TO ask_first_web;
      GRANT SELECT ON pencil_marks TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :pencil_marks)
  end
end
