# frozen_string_literal: true

require "mail"

module AskFirst
  module Edge
    module Mail
      # Delivers mails over SMTP with the ordinary mail library.
      class Mailer
        # @param settings [AskFirst::Settings]
        def initialize(settings)
          @settings = settings
        end

        # @param to [String] address
        # @param reply_to [String, nil] where an answer to it is taken
        # @raise when the mail server does not take it; the job is then tried again
        def deliver(to:, subject:, text:, html:, reply_to: nil)
          message = ::Mail.new
          message.from = @settings.mail_from
          message.to = to
          message.reply_to = reply_to if reply_to
          message["Auto-Submitted"] = "auto-generated" # RFC 3834: a machine does not answer it
          # a line end there would begin another header
          message.subject = subject.gsub(/[\p{Cc}\p{Zl}\p{Zp}[:space:]]+/, " ").strip
          message.charset = "UTF-8"
          message.text_part = part("text/plain; charset=UTF-8", text)
          message.html_part = part("text/html; charset=UTF-8", html)
          message.delivery_method(
            :smtp,
            address: @settings.smtp_host,
            port: @settings.smtp_port,
            enable_starttls_auto: false,
            open_timeout: 5,
            read_timeout: 10
          )
          message.deliver!
        end

        private

        def part(type, body)
          ::Mail::Part.new.tap do |piece|
            piece.content_type = type
            piece.charset = "UTF-8"
            piece.body = body
          end
        end
      end
    end
  end
end
