# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What proves a sign-off sheet: its rows of the record with their paths, and the contents that they are about.
      class SheetProof < SheetRows
        # @return [Hash] JSON-ready: see Record::Proof
        def call(**of)
          found = super
          record = found[:rows].filter_map { |row| row[:record_id] }.uniq
          App::Record::Proof.of(scope, record, found[:rows].map { |row| row["fingerprint"] })
        end
      end
    end
  end
end
