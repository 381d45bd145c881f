# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Lets what was on hold go on. What became due meanwhile is sent now, if it is not too late for it.
      class LiftHold < Act
        opens :hold, "hold", whole: "hold_all", locks: :client

        def call(hold_id:)
          if rows(:holds).where(id: hold_id, lifted_at: nil).update(lifted_at: now, lifted_by: member.person_id).zero?
            return
          end

          record("hold_lifted", facts: { reason: row[:reason] })
          Store::Dispatch::Due.wake(scope, row[:channel_id])
          refresh_stage(Store::Dispatch::Unsent.post_ids(scope, row[:channel_id]))
        end
      end
    end
  end
end
