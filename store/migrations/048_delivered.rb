# frozen_string_literal: true

# When the mail server has taken a receipt: one that it did not take is mailed again.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE receipts ADD COLUMN delivered_at timestamptz, ADD CHECK (delivered_at IS NULL OR sent_at IS NOT NULL);
      UPDATE receipts SET delivered_at = sent_at;
    SQL
