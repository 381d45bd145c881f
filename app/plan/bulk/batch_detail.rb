# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What came of each post of a batch so far; of the reader's own.
      class BatchDetail < Act
        reads :batch, "see_post"

        # @return [Hash] JSON-ready
        def call(**)
          outcomes = rows(:batch_posts).where(batch_id: row[:id]).order(:post_id).select_map(:outcome)
          {
            kind: row[:kind],
            value: row[:value],
            total: outcomes.size,
            ended: !row[:ended_at].nil?,
            stopped: row[:stopped],
            posts: outcomes.compact
          }
        end
      end
    end
  end
end
