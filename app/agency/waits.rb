# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # How many things wait for the reader in each of their clients: for the masthead and the switcher. One query
      # over all of them.
      module Waits
        module_function

        # @param scope [Store::Scope]
        # @return [Array<Hash>] JSON-ready
        def call(scope)
          scope.transaction do
            counts = scope.workspace_ids.empty? ? {} : Store::Agency::Waiting.new(scope).counts
            scope.workspace_ids.map { |id| { workspace_id: id, waits: counts.fetch(id, {}).values.sum } }
          end
        end
      end
    end
  end
end
