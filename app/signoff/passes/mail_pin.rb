# frozen_string_literal: true

require "securerandom"

module AskFirst
  module App
    module Signoff
      # Mails the PIN of one device to whom the pass belongs. It is made here, and stands nowhere else.
      class MailPin < MailAct
        private

        def compose(visit_id:)
          visits = rows(:guest_visits).where(id: visit_id, verified_at: nil)
          pass = rows(:guest_passes).where(id: visits.select(:pass_id), revoked_at: nil).first or return
          pin = format("%06d", SecureRandom.random_number(1_000_000))
          visits.update(
            pin_digest: VisitPin.digest(visit_id, pin),
            pin_until: now + (VisitPin::MINUTES * 60),
            pin_tries: 0
          )
          to = person(pass[:person_id])
          letter =
            Letter
              .new(to[:name])
              .say("Somebody opened your link to the posts of #{workspace[:name]} on a new device. The PIN for it:")
              .quote("#{pin[0, 3]} #{pin[3, 3]}")
              .small(
                "It works for #{VisitPin::MINUTES} minutes. If that was not you, do nothing: nobody gets in without."
              )
          { to: to[:email], subject: "#{workspace[:name]}: #{pin[0, 3]} #{pin[3, 3]} is your PIN", **letter.parts }
        end
      end
    end
  end
end
