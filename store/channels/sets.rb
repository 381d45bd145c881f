# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # A client's channel sets with their channels. A member who is limited to channels finds these of each set, and
      # no set without one.
      module Sets
        module_function

        # @param scope [Scope] of one workspace
        # @return [Array<Hash>] rows with :channel_ids
        def of(scope)
          limits = scope.limits[scope.workspace_id]
          members = scope.rows(:channel_set_channels)
          members = members.where(channel_id: limits) if limits
          by_set = members.select_hash_groups(:set_id, :channel_id)
          sets = scope.rows(:channel_sets).order(:name).map { |row| row.merge(channel_ids: by_set.fetch(row[:id], [])) }
          limits ? sets.reject { |row| row[:channel_ids].empty? } : sets
        end
      end
    end
  end
end
