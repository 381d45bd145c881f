# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The reader's acts over many posts that go on, or have ended and were not looked at yet, over all their clients.
      module BatchList
        SHOWN = 20

        module_function

        # @param scope [Store::Scope] of the agency side
        # @return [Array<Hash>] JSON-ready, the latest first
        def call(scope)
          scope
            .transaction { Store::Plan::Batches.unseen(scope, SHOWN) }
            .map { |row| row.merge(begun_at: row[:begun_at].iso8601) }
        end
      end
    end
  end
end
