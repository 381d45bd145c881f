# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Ends a plan link, at once and for good.
      class RevokeLink < Act
        opens :plan_link, "share_plan"

        # @param link_id [String]
        def call(link_id:)
          return if rows(:plan_links).where(id: link_id, revoked_at: nil).update(revoked_at: now).zero?

          record("plan_link_revoked", facts: { name: row[:name] })
        end
      end
    end
  end
end
