# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Stops a guest pass and every device that opened it.
      class RevokePass < Act
        opens :pass, "withdraw", gate: false

        def call(pass_id:)
          rows(:guest_passes).where(id: pass_id, revoked_at: nil).update(revoked_at: now)
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
