# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Stops somebody's links to an ask, and every device that opened one: those of its reminders too.
      class RevokePass < Act
        opens :pass, "withdraw"

        def call(**)
          alike = row.slice(:ask_id, :person_id)
          rows(:guest_passes).where(revoked_at: nil, **alike).update(revoked_at: now)
          post_ids = row[:post_ids].to_a
          post_ids.each do |post_id|
            record("pass_revoked", post_id: post_id, facts: { person: names[row[:person_id]] })
          end
          announce("posts", ids: post_ids)
        end
      end
    end
  end
end
