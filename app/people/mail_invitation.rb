# frozen_string_literal: true

require "securerandom"

module AskFirst
  module App
    module People
      # The mail that invites somebody, with a link that only it holds. Sent again, the older link stops working.
      class MailInvitation < MailAct
        private

        def compose(invitation_id:)
          row = rows(:invitations).where(id: invitation_id, accepted_at: nil, revoked_at: nil).first or return
          token = SecureRandom.urlsafe_base64(32)
          rows(:invitations).where(id: invitation_id).update(digest: Signoff::CreatePass.digest(token))
          inviter = names.fetch(row[:invited_by])
          agency = environment.db[:agencies].where(id: workspace[:agency_id]).get(:name)
          until_day = in_words(row[:expires_at])
          what = row[:side] == "client" ? "to answer for #{workspace[:name]}" : "to work on #{workspace[:name]}"
          letter =
            Letter
              .new
              .say("#{inviter} of #{agency} invites you #{what}.")
              .button(
                "Look and accept",
                "#{environment.settings.public_url}/invitation#/#{token}",
                lead: "Accept here, until #{until_day}:"
              )
              .small("The link works until #{until_day}. If you do not expect this, do nothing: it ends by itself.")
          { to: row[:email], subject: "#{inviter} invites you #{what}", **letter.parts }
        end
      end
    end
  end
end
