# frozen_string_literal: true

module AskFirst
  module Store
    module Clients
      # What a client's rows are, for whoever takes them away.
      module Tables
        module_function

        # @return [Array<String>] names of the tables that hold rows of clients
        def names(db)
          db[Sequel[:information_schema][:columns]].where(
            table_schema: "public",
            column_name: "workspace_id"
          ).select_order_map(:table_name)
        end

        # @param row [Hash]
        # @return [Hash] the same with values that JSON knows
        def plain(row)
          row.transform_values do |value|
            case value
            when Time
              value.iso8601(3)
            when Sequel::SQL::Blob
              value.unpack1("H*")
            when Sequel::Postgres::PGArray
              value.to_a
            else
              value
            end
          end
        end

        # @param scope [Scope]
        # @return [Hash{String=>Array<String>}] post id => names of the channels that it is on
        def channels_of_posts(scope)
          scope
            .rows(:adaptations)
            .where(removed_at: nil)
            .join(:channels, workspace_id: :workspace_id, id: :channel_id)
            .select_hash_groups(:post_id, Sequel[:channels][:name])
        end
      end
    end
  end
end
