# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Withdraws an ask: its open lines end and its passes stop working. Answers that were given stay.
      class WithdrawAsk < Act
        opens :ask, "withdraw"

        def call(ask_id:)
          withdrawn = rows(:asks).where(id: ask_id, withdrawn_at: nil).update(withdrawn_at: now)
          raise Core::Over.new("withdrawn", "This ask was withdrawn already.", way_on: "Ask again.") if withdrawn.zero?

          post_ids = row[:post_ids].to_a
          adaptations =
            rows(:ask_line_adaptations).where(line_id: rows(:ask_lines).where(ask_id: ask_id).select(:id)).select_map(
              :adaptation_id
            )
          EndLines.call(environment, member, adaptation_ids: adaptations, as: "withdrawn", ask_id: ask_id)
          rows(:guest_passes).where(ask_id: ask_id, revoked_at: nil).update(revoked_at: now)
          post_ids.each { |id| record("ask_withdrawn", post_id: id, facts: { ask: ask_id }) }
          refresh_stage(post_ids)
        end
      end
    end
  end
end
