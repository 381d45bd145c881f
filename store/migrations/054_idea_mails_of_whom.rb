# frozen_string_literal: true

# Whose address a mail of ideas came to: one person's flood is not another's.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE idea_mails
        ADD COLUMN person_id uuid,
        ADD FOREIGN KEY (workspace_id, person_id) REFERENCES memberships (workspace_id, person_id);
      DROP INDEX idea_mails_of_late;
      CREATE INDEX idea_mails_of_late ON idea_mails (workspace_id, person_id, at);
    SQL
