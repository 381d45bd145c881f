# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Takes an invitation back: its link stops working at once.
      class RevokeInvitation < Act
        opens :invitation, "invite"

        def call(invitation_id:)
          done = rows(:invitations).where(id: invitation_id, accepted_at: nil, revoked_at: nil).update(revoked_at: now)
          if done.zero?
            raise Core::Over.new(
                    "invitation_over",
                    "This invitation was accepted or revoked already.",
                    way_on: "Look at the list again."
                  )
          end

          record("invitation_revoked", facts: { email: row[:email] })
          announce("people", ids: [])
        end
      end
    end
  end
end
