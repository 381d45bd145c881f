# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The links of a client that work now: whose each is, for what, until when, and on how many devices it was opened.
      class PassList < Act
        reads :client, "see_passes"

        MOST = 200

        # @return [Hash] JSON-ready: passes, the newest first, and what may be done
        def call
          { passes: passes, can: Permissions::Capabilities.of(member, others: colleagues) }
        end

        private

        def passes
          Store::Signoff::Passes.working(scope, now, MOST).map { |row| json(row) }
        end

        def json(row)
          {
            **row.slice(:id, :ask_id, :step, :devices, :posts),
            person: names[row[:person_id]],
            asked_at: row[:asked_at].iso8601,
            made_at: row[:made_at].iso8601,
            expires_at: row[:expires_at].iso8601,
            opened_at: row[:opened_at]&.iso8601
          }
        end
      end
    end
  end
end
