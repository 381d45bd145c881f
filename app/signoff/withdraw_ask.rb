# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Withdraws an ask: its open lines end and its passes stop working. Answers that were given stay.
      class WithdrawAsk < Act
        def call(ask_id:)
          require_ability!("withdraw")
          write do
            ask = fetch(:asks, ask_id, "This ask")
            raise Core::Over.new("withdrawn", "This ask was withdrawn already.", way_on: "Ask again.") if ask[:withdrawn_at]

            post_ids = rows(:ask_lines).where(ask_id: ask_id).select_map(:post_id)
            locked(post_ids)
            adaptations = rows(:ask_line_adaptations).where(line_id: rows(:ask_lines).where(ask_id: ask_id).select(:id)).select_map(:adaptation_id)
            EndLines.call(kit, member, adaptation_ids: adaptations, as: "withdrawn", ask_id: ask_id)
            rows(:asks).where(id: ask_id).update(withdrawn_at: now)
            rows(:guest_passes).where(ask_id: ask_id, revoked_at: nil).update(revoked_at: now)
            post_ids.each { |id| record("ask_withdrawn", post_id: id, facts: { ask: ask_id }) }
            restage(post_ids)
          end
        end
      end
    end
  end
end
