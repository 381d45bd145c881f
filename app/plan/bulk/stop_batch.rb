# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Stops a batch: what is done stays done, the rest stays as it is. A part under way is waited for.
      class StopBatch < Act
        opens :batch, "see_post"

        # @return [void]
        def call(batch_id:)
          open = rows(:batches).where(id: batch_id, ended_at: nil).for_update
          return unless open.first

          rows(:batch_posts).where(batch_id: batch_id, outcome: nil).delete
          rows(:batches).where(id: batch_id).update(ended_at: now, stopped: true)
        end
      end
    end
  end
end
