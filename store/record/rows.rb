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

        # @param scope [Scope] of one or many workspaces
        # @param person [String, nil] what they did
        # @param act [String, nil]
        # @param from [Time, nil]
        # @param to [Time, nil] the day that begins then is the last
        # @param before [Integer, nil] number in the record's order
        # @return [Array<Hash>] the newest first, as far as the reader sees them
        def newest(scope, limit, person: nil, act: nil, from: nil, to: nil, before: nil)
          record = Sequel[:record]
          narrowed = [
            (record[:person_id] =~ person if person),
            (record[:act] =~ act if act),
            (record[:at] >= from if from),
            (record[:at] < to + 86_400 if to),
            (record[:order_no] < before if before)
          ].compact
          scope
            .first_of_each(:record, [Sequel.desc(record[:order_no])], limit) do |rows|
              narrowed.reduce(Posts::Visible.record(scope, rows), :where)
            end
            .all
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
