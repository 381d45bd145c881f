# frozen_string_literal: true

module AskFirst
  module Jobs
    # Sends a mail with a secret in it (the link that resets a password). In the queue it lies encrypted.
    class SealedMail < Base
      self.priority = 30

      def run(to, sealed)
        mail = JSON.parse(environment.secrets.open(sealed.unpack1("m0")), symbolize_names: true)
        environment.mailer.deliver(to: to, **mail)
      end
    end
  end
end
