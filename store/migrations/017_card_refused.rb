# frozen_string_literal: true

# What was wrong with the card that a network sent last, while the last good one stays.
Sequel.migration do
  up { run "ALTER TABLE channels ADD COLUMN card_refused text CHECK (length(card_refused) BETWEEN 1 AND 500)" }
end
