# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Keeps a post out of what the client sees of the plan, or lets it in again. Asks are not touched by it.
      class KeepOut < Act
        opens :post, "keep_out", whole: true

        # @param post_id [String]
        # @param out [Boolean]
        def call(post_id:, out:)
          return if row[:kept_out] == out

          rows(:posts).where(id: post_id).update(kept_out: out)
          record(out ? "kept_out" : "let_in", post_id: post_id)
          announce("posts", ids: [post_id])
        end
      end
    end
  end
end
