# frozen_string_literal: true

module AskFirst
  module Web
    # The mail with the link that resets a password. It goes by the queue, encrypted, so that the page answers as fast
    # for an address that nobody has.
    module ResetMail
      module_function

      def enqueue(environment, person, link)
        letter =
          App::Letter
            .new(person[:name])
            .say("Somebody, hopefully you, wants a new password for Ask First. The link works for a day.")
            .button("Choose a new password", link, lead: "Choose it here:")
            .small("If it was not you, do nothing: your password stays.")
        sealed = environment.secrets.seal(JSON.generate(subject: "A new password for Ask First", **letter.parts))
        environment.queue.sealed_mail(person[:email], sealed, at: environment.now)
      end
    end
  end
end
