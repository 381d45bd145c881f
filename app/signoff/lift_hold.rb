# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Lets what was on hold go on. What became due meanwhile is sent now, if it is not too late for it.
      class LiftHold < Act
        def call(hold_id:)
          require_ability!("hold")
          write do
            hold = fetch(:holds, hold_id, "This hold")
            Store::Gates.for_workspace(scope)
            rows(:holds).where(id: hold[:id], lifted_at: nil).update(lifted_at: now, lifted_by: member.person_id)
            record("hold_lifted", facts: { reason: hold[:reason] })
            restage(rows(:releases).where(ended_at: nil).select_map(:post_id).uniq)
          end
        end
      end
    end
  end
end
