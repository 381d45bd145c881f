# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What somebody means who narrows to labels.
      module Labels
        module_function

        # @param scope [Scope]
        # @param ids [Array<String>]
        # @return [Sequel::Dataset] ids: these, what stands below them, and where those went that were merged
        def meant(scope, ids)
          of = scope.db[:labels].where(workspace_id: scope.workspace_ids)
          now = of.where(id: ids).select(Sequel.function(:coalesce, :merged_into, :id))
          of.where(Sequel.|({ id: now }, { parent_id: now })).select(:id)
        end
      end
    end
  end
end
