# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # Network cards as channels keep them.
      module Cards
        module_function

        # @param scope [Scope]
        # @return [Array<Hash>] one row for each network that a channel of these clients is on: :network, :initials,
        #   :card (the one that was read last), :card_at
        def newest(scope)
          channels = scope.rows(:channels).where(archived_at: nil).exclude(state: "offline")
          channels = visible(scope, channels)
          channels
            .distinct(:network)
            .order(:network, Sequel.desc(:card_at, nulls: :last))
            .select(:network, :initials, :card, :card_at)
            .all
        end

        def visible(scope, channels)
          scope
            .limits
            .reduce(channels) do |found, (workspace_id, ids)|
              found.exclude(Sequel.&({ workspace_id: workspace_id }, Sequel.~(id: ids.to_a)))
            end
        end
        private_class_method :visible
      end
    end
  end
end
