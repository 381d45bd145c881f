# frozen_string_literal: true

require "securerandom"

module AskFirst
  module Store
    module Record
      # Adds to the record. There is no way to change it.
      module Rows
        module_function

        # @param who [Hash] person_id, pass_id, process, from_address
        # @param facts [Hash] what was so before and after, JSON-ready
        def add(scope, now:, who:, **row)
          add_all(scope, now: now, who: who, rows: [row])
        end

        # Many in one statement.
        # @param rows [Array<Hash>] :act, and where it has them :post_id, :adaptation_id, :revision_id and :facts
        def add_all(scope, now:, who:, rows:)
          scope.insert(:record, *rows.map { |row| who.merge(whole(now, **row)) })
        end

        def whole(now, act:, post_id: nil, adaptation_id: nil, revision_id: nil, facts: {})
          {
            id: Core::Uuid.v7(now),
            at: now,
            act: act,
            post_id: post_id,
            adaptation_id: adaptation_id,
            revision_id: revision_id,
            facts: Database.jsonb(facts),
            salt: Sequel.blob(SecureRandom.random_bytes(16))
          }
        end
        private_class_method :whole
      end
    end
  end
end
