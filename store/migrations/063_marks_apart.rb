# frozen_string_literal: true

# A mark is a pencil mark. A client has initials and a logo, a label has initials, and the numbers by which a database
# knows that it was brought back are watermarks. The file outside the database keeps its name and form.
Sequel.migration { up { run <<~SQL } }
      ALTER TABLE marks RENAME TO watermarks;
      ALTER TABLE watermarks RENAME COLUMN mark TO watermark;
      ALTER SEQUENCE mark_numbers RENAME TO watermark_numbers;
      ALTER TABLE returns DROP CONSTRAINT returns_why_check;
      UPDATE returns SET why = 'no_watermark' WHERE why = 'no_mark';
      ALTER TABLE returns
        ADD CONSTRAINT returns_why_check CHECK (why IN ('restored', 'other_server', 'older', 'no_watermark'));

      ALTER TABLE workspaces RENAME COLUMN mark TO initials;
      ALTER TABLE workspaces RENAME COLUMN mark_picture TO logo;
      ALTER TABLE labels RENAME COLUMN mark TO initials;
    SQL
