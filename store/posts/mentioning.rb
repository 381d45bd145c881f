# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Where somebody is named.
      module Mentioning
        PARTS = %w[text first_comment tagged].freeze
        private_constant :PARTS

        module_function

        # @param scope [Scope]
        # @param name [String] as it stands in the words
        # @return [Array<String>] ids of the posts that name them and are not out
        def posts(scope, name)
          words = Sequel.lit("value #>> '{}'")
          naming =
            scope
              .rows(:parts)
              .where(part: PARTS)
              .where(Sequel.ilike(words, "%#{scope.db.dataset.escape_like(name)}%"))
              .select(:post_id)
          scope.rows(:posts).where(id: naming).exclude(stage: "out").select_map(:id)
        end
      end
    end
  end
end
