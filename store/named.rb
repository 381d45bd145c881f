# frozen_string_literal: true

require "sequel"

module AskFirst
  module Store
    # Rows that people know by a name, where upper and lower case are the same.
    module Named
      LOWER = Sequel.function(:lower, :name)
      private_constant :LOWER

      module_function

      # @param dataset [Sequel::Dataset] of a table with a name
      # @param name [String, Array<String>] one or several
      # @return [Sequel::Dataset] those that are called so
      def called(dataset, name)
        names = Array(name).map { |one| Sequel.function(:lower, one) }
        dataset.where(LOWER => names)
      end

      # @return [Sequel::Dataset] in the order of their names
      def in_order(dataset)
        dataset.order(LOWER)
      end
    end
  end
end
