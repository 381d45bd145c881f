# frozen_string_literal: true

module AskFirst
  module Web
    # Tells somebody that their password was tried in vain.
    module SlowDownMail
      module_function

      def enqueue(environment, person)
        letter =
          App::Letter
            .new(person[:name])
            .say(
              "Somebody tried several times to sign in to Ask First as you, with a wrong password. Further tries are " \
                "slowed down."
            )
            .say(
              "If it was you, wait a few minutes, or choose a new password from the sign-in page. You can go on from " \
                "a device that you have used before."
            )
            .small(
              "If it was not you, nothing is lost: your password was not found. A second factor keeps you safe even " \
                "if it were."
            )
        sealed =
          environment.secrets.seal(JSON.generate(subject: "Wrong passwords for your Ask First account", **letter.parts))
        environment.queue.sealed_mail(person[:email], sealed, at: environment.now)
      end
    end
  end
end
