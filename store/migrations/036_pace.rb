# frozen_string_literal: true

require_relative "../client_table"

# The pace that is wanted of each channel of a client; what is empty is not looked at.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE pace_limits (
        workspace_id uuid NOT NULL PRIMARY KEY REFERENCES workspaces,
        week_min int CHECK (week_min BETWEEN 1 AND 50),
        day_max int CHECK (day_max BETWEEN 1 AND 20),
        apart int CHECK (apart BETWEEN 15 AND 1440),
        gap int CHECK (gap BETWEEN 1 AND 60)
      );
      GRANT SELECT, INSERT, UPDATE ON pace_limits TO ask_first_web;
      GRANT SELECT ON pace_limits TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :pace_limits)
  end
end
