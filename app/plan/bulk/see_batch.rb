# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Whoever asked for a batch has seen what came of it.
      class SeeBatch < Act
        opens :batch, "see_post"

        # @return [void]
        def call(batch_id:)
          rows(:batches).where(id: batch_id, seen_at: nil).exclude(ended_at: nil).update(seen_at: now)
        end
      end
    end
  end
end
