# frozen_string_literal: true

require_relative "../client_table"

# Answer by mail: the addresses that our mails to the client's side can be answered at, what came in there, and what of
# client talk they are still to be told.
Sequel.migration do
  up do
    run <<~SQL
      CREATE TABLE reply_addresses (
        workspace_id uuid NOT NULL,
        digest bytea NOT NULL UNIQUE CHECK (length(digest) = 32),
        pass_id uuid NOT NULL,
        line_id uuid,
        made_at timestamptz NOT NULL,
        PRIMARY KEY (workspace_id, digest),
        FOREIGN KEY (workspace_id, pass_id) REFERENCES guest_passes (workspace_id, id),
        FOREIGN KEY (workspace_id, line_id) REFERENCES ask_lines (workspace_id, id)
      );
      CREATE INDEX reply_addresses_of_pass ON reply_addresses (workspace_id, pass_id);

      CREATE TABLE mail_replies (
        workspace_id uuid NOT NULL,
        id uuid NOT NULL,
        pass_id uuid NOT NULL,
        digest bytea NOT NULL CHECK (length(digest) = 32),
        sender text NOT NULL CHECK (length(sender) <= 320),
        at timestamptz NOT NULL,
        outcome text NOT NULL CHECK (outcome IN
          ('said', 'empty', 'automatic', 'elsewhere', 'forged', 'too_long', 'over', 'too_many')),
        remark_id uuid,
        whole text NOT NULL CHECK (length(whole) <= 200000),
        about_all boolean NOT NULL DEFAULT false,
        told_at timestamptz,
        PRIMARY KEY (workspace_id, id),
        -- the same mail counts once, however often it is fetched
        UNIQUE (workspace_id, digest),
        UNIQUE (workspace_id, remark_id),
        FOREIGN KEY (workspace_id, pass_id) REFERENCES guest_passes (workspace_id, id),
        FOREIGN KEY (workspace_id, remark_id) REFERENCES remarks (workspace_id, id),
        CHECK ((outcome = 'said') = (remark_id IS NOT NULL))
      );
      CREATE INDEX mail_replies_of_pass ON mail_replies (workspace_id, pass_id, at);

      CREATE TABLE talk_told (
        workspace_id uuid NOT NULL,
        remark_id uuid NOT NULL,
        person_id uuid NOT NULL,
        due_at timestamptz NOT NULL,
        told_at timestamptz,
        PRIMARY KEY (workspace_id, remark_id, person_id),
        FOREIGN KEY (workspace_id, remark_id) REFERENCES remarks (workspace_id, id),
        FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id)
      );
      CREATE INDEX talk_to_tell ON talk_told (workspace_id, person_id) WHERE told_at IS NULL;

      GRANT SELECT, INSERT ON reply_addresses, mail_replies, talk_told TO ask_first_web, ask_first_jobs;
      GRANT UPDATE (told_at) ON mail_replies, talk_told TO ask_first_web, ask_first_jobs;
      -- what is said by mail is said by the dispatcher's processes, in the name of whoever it comes from
      GRANT INSERT ON remarks, remark_mentions, remark_files, brand_files TO ask_first_jobs;
    SQL
    AskFirst::Store::ClientTable.add(self, :reply_addresses, :mail_replies, :talk_told)
  end
end
