# frozen_string_literal: true

module AskFirst
  module Store
    module Partners
      # What was made with a client's partners.
      module MadeWith
        module_function

        # @param scope [Scope]
        # @return [Hash{String=>Integer}] partner id => how many posts
        def counts(scope)
          here =
            scope
              .rows(:partner_posts)
              .join(:posts, workspace_id: Sequel[:partner_posts][:workspace_id], id: :post_id)
              .where(discarded_at: nil)
          Counts.by(here, :partner_id)
        end

        # @return [Sequel::Dataset] posts of these that the reader sees, the latest first
        def posts(scope, post_ids)
          Posts::Visible.of(scope, post_ids).where(discarded_at: nil).order(Sequel.desc(:at, nulls: :last))
        end
      end
    end
  end
end
