# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Which labels a post carries.
      module PostLabels
        module_function

        # @param scope [Scope]
        # @return [Array<String>] names, in their order
        def names(scope, post_id)
          scope
            .rows(:post_labels)
            .where(post_id: post_id)
            .join(:labels, workspace_id: Sequel[:post_labels][:workspace_id], id: :label_id)
            .order(Sequel[:labels][:name])
            .select_map(Sequel[:labels][:name])
        end
      end
    end
  end
end
