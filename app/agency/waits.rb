# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # How many things wait for the reader in each of their clients, and how much they were told that they have not
      # read: for the masthead and the switcher. One query each over all of them.
      module Waits
        module_function

        # @param scope [Store::Scope]
        # @return [Hash] JSON-ready
        def call(scope)
          scope.transaction do
            counts = scope.workspace_ids.empty? ? {} : Store::Agency::Waiting.new(scope).counts
            waits = scope.workspace_ids.map { |id| { workspace_id: id, waits: counts.fetch(id, {}).values.sum } }
            { waits: waits, notices: Notices.unread(scope) }
          end
        end
      end
    end
  end
end
