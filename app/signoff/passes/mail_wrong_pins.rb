# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Tells somebody of the client's side that wrong PINs were written with a link of theirs, and those who asked them
      # something that is still open.
      class MailWrongPins < MailAct
        private

        # @param tries [Integer] how many wrong ones there were
        def compose(person_id:, tries:)
          to = person(person_id)
          letter =
            Letter
              .new(to[:name])
              .say("Somebody wrote #{tries} wrong PINs with your link to the posts of #{workspace[:name]}.")
              .say("If that was you, wait for the newest mail with a PIN and use that one.")
              .say("If it was not, nobody has got in. Ask the agency for a new link; the old one stops then.")
          { to: to[:email], subject: "#{workspace[:name]}: wrong PINs for your link", **letter.parts }
        end

        def delivered(person_id:, tries:)
          People::Notify.call(
            environment,
            member,
            person_ids: askers(person_id),
            kind: "trouble",
            words:
              "#{tries} wrong PINs were written with a link of #{names[person_id]}. If it was not them, stop the " \
                "link under People and send a new one."
          )
        end

        def askers(person_id)
          open = rows(:guest_passes).where(person_id: person_id, revoked_at: nil, expires_at: now..)
          rows(:asks).where(id: open.select(:ask_id)).distinct.select_map(:asked_by)
        end
      end
    end
  end
end
