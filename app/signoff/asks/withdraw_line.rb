# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Withdraws one post out of an ask: its line ends, the ask goes on with the others. The last one takes the ask
      # with it.
      class WithdrawLine < Act
        opens :ask, "withdraw"

        # @param post_id [String]
        def call(ask_id:, post_id:)
          raise Core::NotFound, "This post" unless row[:post_ids].to_a.include?(post_id)

          open = rows(:ask_lines).where(ask_id: ask_id, ended_at: nil)
          line = open.where(post_id: post_id).first or raise over
          return WithdrawAsk.call(environment, member, ask_id: ask_id) if open.count == 1

          on = rows(:ask_line_adaptations).where(line_id: line[:id]).select_map(:adaptation_id)
          EndLines.call(environment, member, adaptation_ids: on, as: "withdrawn", line_id: line[:id])
          record("ask_withdrawn", post_id: post_id, facts: { ask: ask_id, alone: true })
          refresh_stage([post_id])
        end

        private

        def over
          Core::Over.new(
            "withdrawn",
            "Nothing of this post is asked there any more.",
            way_on: "Look at where it stands."
          )
        end
      end
    end
  end
end
