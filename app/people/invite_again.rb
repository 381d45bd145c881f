# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Sends an invitation again, with a new link and a new end.
      class InviteAgain < Act
        opens :invitation, "invite"

        def call(invitation_id:)
          if row[:accepted_at] || row[:revoked_at]
            raise Core::Over.new(
                    "invitation_over",
                    "This invitation was accepted or revoked already.",
                    way_on: "Look at the list again."
                  )
          end

          rows(:invitations).where(id: invitation_id).update(expires_at: now + (Invite::DAYS * 86_400))
          record("invited_again", facts: { email: row[:email] })
          environment.queue.invitation_mail(member.workspace_id, invitation_id, at: now)
          announce("people", ids: [])
        end
      end
    end
  end
end
