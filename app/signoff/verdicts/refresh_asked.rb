# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After somebody has come back to a client: what waits for their answer waits for somebody again.
      class RefreshAsked < Act
        of_process

        # @param person_id [String]
        def call(person_id:)
          asks = rows(:ask_people).where(person_id: person_id).select(:ask_id)
          ids = rows(:ask_lines).where(ask_id: asks, ended_at: nil).distinct.select_map(:post_id)
          refresh_stage(ids) if ids.any?
        end
      end
    end
  end
end
