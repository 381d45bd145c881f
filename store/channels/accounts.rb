# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # Accounts at networks that clients have connected.
      module Accounts
        module_function

        # @param scope [Scope] over many workspaces
        # @return [Array<Hash>] accounts that several channels have: :account, :workspace_ids
        def of_several(scope)
          scope
            .rows(:channels)
            .where(archived_at: nil)
            .exclude(state: "offline")
            .group(:account)
            .having { count(:id) > 1 }
            .select(:account, Sequel.function(:array_agg, :workspace_id).as(:workspace_ids))
            .map { |row| { account: row[:account], workspace_ids: row[:workspace_ids].to_a } }
        end
      end
    end
  end
end
