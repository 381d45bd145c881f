# frozen_string_literal: true

module AskFirst
  module Store
    # How many rows there are of each kind.
    module Counts
      module_function

      # @param dataset [Sequel::Dataset]
      # @param column [Symbol] that says the kind
      # @return [Hash] value of the column => how many rows have it
      def by(dataset, column)
        dataset.group_and_count(column).to_hash(column, :count)
      end
    end
  end
end
