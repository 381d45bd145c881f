# frozen_string_literal: true

require_relative "../client_table"

# When it is said that an answer is missing, to whom it was; and receipts of yeses, with which whoever is named there
# says that it was not them.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE asks
        ADD COLUMN remind_at timestamptz,
        ADD COLUMN escalate_at timestamptz,
        ADD COLUMN asker_told_at timestamptz,
        ADD COLUMN leads_told_at timestamptz,
        -- whether somebody who was asked has been told that it was withdrawn
        ADD COLUMN told_withdrawn_at timestamptz;
      UPDATE asks SET remind_at = asked_at + (due_at - asked_at) / 2, escalate_at = due_at + interval '4 hours',
        -- what was over before is not told now
        asker_told_at = CASE WHEN due_at < now() THEN now() END, leads_told_at = CASE WHEN due_at < now() THEN now() END;
      ALTER TABLE asks ALTER COLUMN remind_at SET NOT NULL, ALTER COLUMN escalate_at SET NOT NULL;
      CREATE INDEX asks_unanswered ON asks (remind_at) WHERE withdrawn_at IS NULL AND leads_told_at IS NULL;

      ALTER TABLE ask_people ADD COLUMN reminded_at timestamptz;
      GRANT UPDATE (reminded_at) ON ask_people TO ask_first_web, ask_first_jobs;

      -- at most one mail a day for one person: the key is the day in the client's zone
      CREATE TABLE reminder_mails (
        workspace_id uuid NOT NULL,
        person_id uuid NOT NULL,
        day date NOT NULL,
        at timestamptz NOT NULL,
        nudged_by uuid,
        PRIMARY KEY (workspace_id, person_id, day),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );

      ALTER TABLE notices DROP CONSTRAINT notices_kind_check,
        ADD CONSTRAINT notices_kind_check CHECK (kind IN ('asked', 'task', 'answered', 'late', 'talk', 'mention', 'trouble'));

      CREATE TABLE receipts (
        workspace_id uuid NOT NULL REFERENCES workspaces,
        id uuid NOT NULL,
        person_id uuid NOT NULL,
        digest bytea UNIQUE CHECK (length(digest) = 32),
        made_at timestamptz NOT NULL,
        sent_at timestamptz,
        disowned_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id),
        CHECK (sent_at IS NULL OR digest IS NOT NULL)
      );
      CREATE UNIQUE INDEX receipts_open ON receipts (workspace_id, person_id) WHERE sent_at IS NULL;
      CREATE TABLE receipt_answers (
        workspace_id uuid NOT NULL,
        receipt_id uuid NOT NULL,
        answer_id uuid NOT NULL,
        PRIMARY KEY (workspace_id, answer_id),
        FOREIGN KEY (workspace_id, receipt_id) REFERENCES receipts (workspace_id, id),
        FOREIGN KEY (workspace_id, answer_id) REFERENCES answers (workspace_id, id)
      );
      CREATE INDEX receipt_answers_of ON receipt_answers (workspace_id, receipt_id);
      GRANT SELECT, INSERT ON reminder_mails, receipts, receipt_answers TO ask_first_web, ask_first_jobs;
      GRANT UPDATE ON receipts TO ask_first_web, ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :reminder_mails, :receipts, :receipt_answers)
    run "CREATE POLICY web_secret ON receipts FOR SELECT TO ask_first_web USING (digest = (SELECT app_secret()))"
  end
end
