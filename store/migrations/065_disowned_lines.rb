# frozen_string_literal: true

# "This was not me" is said of one post on a receipt, not of all that stands on it.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE receipt_answers ADD COLUMN disowned_at timestamptz;
      UPDATE receipt_answers SET disowned_at = receipts.disowned_at FROM receipts
        WHERE receipts.workspace_id = receipt_answers.workspace_id AND receipts.id = receipt_answers.receipt_id;
      ALTER TABLE receipts DROP COLUMN disowned_at;
      GRANT UPDATE (disowned_at) ON receipt_answers TO ask_first_web, ask_first_jobs;
    SQL
