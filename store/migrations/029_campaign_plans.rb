# frozen_string_literal: true

require_relative "../client_table"

# A campaign as a planned period: when, to what end, on which channels, with whom, at what cost, and in which mix.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE campaigns
        ADD COLUMN first_day date,
        ADD COLUMN last_day date,
        ADD COLUMN goal text NOT NULL DEFAULT '' CHECK (length(goal) <= 400),
        ADD COLUMN brief text NOT NULL DEFAULT '' CHECK (length(brief) <= 20000),
        ADD COLUMN budget bigint CHECK (budget >= 0),
        ADD COLUMN currency text CHECK (currency ~ '^[A-Z]{3}$'),
        ADD COLUMN version int NOT NULL DEFAULT 1,
        ADD CHECK ((first_day IS NULL) = (last_day IS NULL)),
        ADD CHECK (last_day - first_day BETWEEN 0 AND 731),
        ADD CHECK ((budget IS NULL) = (currency IS NULL));
      CREATE INDEX campaigns_by_days ON campaigns (workspace_id, first_day) WHERE first_day IS NOT NULL;
      CREATE INDEX posts_by_campaign ON posts (workspace_id, campaign_id) WHERE campaign_id IS NOT NULL;

      CREATE TABLE campaign_channels (
        workspace_id uuid NOT NULL,
        campaign_id uuid NOT NULL,
        channel_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, campaign_id, channel_id),
        FOREIGN KEY (workspace_id, campaign_id) REFERENCES campaigns (workspace_id, id),
        FOREIGN KEY (workspace_id, channel_id) REFERENCES channels (workspace_id, id)
      );
      CREATE TABLE campaign_people (
        workspace_id uuid NOT NULL,
        campaign_id uuid NOT NULL,
        person_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, campaign_id, person_id),
        FOREIGN KEY (workspace_id, campaign_id) REFERENCES campaigns (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );

      -- the mix of labels that is wanted, in percent: of a campaign, or of the client as a whole
      CREATE TABLE mix_targets (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        campaign_id uuid,
        label_id uuid NOT NULL,
        percent int NOT NULL CHECK (percent BETWEEN 1 AND 100),
        FOREIGN KEY (workspace_id, campaign_id) REFERENCES campaigns (workspace_id, id),
        FOREIGN KEY (workspace_id, label_id) REFERENCES labels (workspace_id, id)
      );
      CREATE UNIQUE INDEX mix_targets_once ON mix_targets (workspace_id, coalesce(campaign_id, '00000000-0000-0000-0000-000000000000'), label_id);

      GRANT UPDATE ON campaigns TO ask_first_web;
      GRANT SELECT, INSERT, DELETE ON campaign_channels, campaign_people, mix_targets TO ask_first_web;
      GRANT SELECT ON campaign_channels, campaign_people, mix_targets TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :campaign_channels, :campaign_people, :mix_targets)
  end
end
