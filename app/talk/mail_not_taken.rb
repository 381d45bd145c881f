# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Tells somebody of the client's side that what they wrote by mail reached nobody, and the way on. At most once a
      # day for each of them: two machines must not write to each other.
      class MailNotTaken < MailAct
        A_DAY = 86_400

        private

        def compose(reply_id:)
          reply = rows(:mail_replies).where(id: reply_id, told_at: nil).first or return
          pass = rows(:guest_passes).where(id: reply[:pass_id]).first
          theirs = rows(:guest_passes).where(person_id: pass[:person_id]).select(:id)
          told = rows(:mail_replies).where(pass_id: theirs, told_at: (now - A_DAY)..).any?
          return if told

          to = person(pass[:person_id])
          {
            to: to[:email],
            subject: "#{workspace[:name]}: your mail was not passed on",
            **Letter
              .new(to[:name])
              .say(Core::Talk::Reply::NOT_TAKEN.fetch(reply[:outcome]))
              .say("Open the link in the newest mail about it and say it there, or ask for a new link.")
              .parts
          }
        end

        def delivered(reply_id:)
          rows(:mail_replies).where(id: reply_id).update(told_at: now)
        end
      end
    end
  end
end
