# frozen_string_literal: true

module AskFirst
  module Web
    # The mail with the link that resets a password. It goes by the queue, encrypted, so that the page answers as fast
    # for an address that nobody has.
    module ResetMail
      module_function

      def enqueue(kit, person, link)
        letter =
          App::Letter
            .new(person[:name])
            .say("Somebody, hopefully you, wants a new password for Ask First. The link works for a day.")
            .button("Choose a new password", link, lead: "Choose it here:")
            .small("If it was not you, do nothing: your password stays.")
        sealed = kit.secrets.seal(JSON.generate(subject: "A new password for Ask First", **letter.parts))
        kit.queue.sealed_mail(person[:email], sealed, at: kit.now)
      end
    end
  end
end
