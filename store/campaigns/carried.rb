# frozen_string_literal: true

module AskFirst
  module Store
    module Campaigns
      # What posts carry of a label goes over to another one.
      module Carried
        module_function

        # @param scope [Scope]
        # @param rows [Sequel::Dataset] of post_labels
        # @param into [String] id of the label that takes them; a post that carries it already stays as it is
        def over(scope, rows, into)
          carried = rows.select(:workspace_id, :post_id, Sequel.cast(into, :uuid))
          scope.db[:post_labels].insert_conflict.insert(%i[workspace_id post_id label_id], carried)
        end
      end
    end
  end
end
