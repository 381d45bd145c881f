# frozen_string_literal: true

require "cgi"
require "securerandom"

module AskFirst
  module App
    module People
      # The mail that invites somebody, with a link that only it holds. Sent again, the older link stops working.
      class MailInvitation < Act
        stepwise

        def call(invitation_id:)
          mail = write { compose(invitation_id) }
          kit.mailer.deliver(**mail) if mail
        end

        private

        def compose(id)
          row = rows(:invitations).where(id: id, accepted_at: nil, revoked_at: nil).first or return
          token = SecureRandom.urlsafe_base64(32)
          rows(:invitations).where(id: id).update(digest: Signoff::MintPass.digest(token))
          inviter = names.fetch(row[:invited_by])
          agency = kit.db[:agencies].where(id: workspace[:agency_id]).get(:name)
          until_day = Core::Plan::WallTime.at(row[:expires_at], workspace[:zone]).wall.strftime("%A %-d %B, %H:%M")
          link = "#{kit.settings.public_url}/invitation#/#{token}"
          what = row[:side] == "client" ? "to answer for #{workspace[:name]}" : "to work on #{workspace[:name]}"
          { to: row[:email], subject: "#{inviter} invites you #{what}", text: text(inviter, agency, what, until_day, link), html: html(inviter, agency, what, until_day, link) }
        end

        def text(inviter, agency, what, until_day, link)
          <<~TEXT
            Hello,

            #{inviter} of #{agency} invites you #{what}.

            Accept here, until #{until_day}:
            #{link}

            If you do not expect this, do nothing: the link ends by itself.
          TEXT
        end

        def html(inviter, agency, what, until_day, link)
          <<~HTML
            <div style="font:16px/1.5 sans-serif;color:#16191C;max-width:32em">
            <p>Hello,</p>
            <p>#{CGI.escapeHTML(inviter)} of #{CGI.escapeHTML(agency)} invites you #{CGI.escapeHTML(what)}.</p>
            <p><a href="#{link}" style="display:inline-block;background:#16191C;color:#fff;padding:12px 20px;text-decoration:none;border-radius:3px">Look and accept</a></p>
            <p style="color:#4C5358;font-size:14px">The link works until #{until_day}. If you do not expect this, do nothing: it ends by itself.</p>
            </div>
          HTML
        end
      end
    end
  end
end
