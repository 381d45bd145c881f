# frozen_string_literal: true

# A file of the client that belongs to one campaign; without one it stands on the brand sheet.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE brand_files
        ADD COLUMN campaign_id uuid,
        ADD FOREIGN KEY (workspace_id, campaign_id) REFERENCES campaigns (workspace_id, id);
      CREATE INDEX brand_files_of_campaign ON brand_files (workspace_id, campaign_id) WHERE campaign_id IS NOT NULL;
    SQL
