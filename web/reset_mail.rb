# frozen_string_literal: true

module AskFirst
  module Web
    # The mail with the link that resets a password. It goes by the queue, encrypted, so that the page answers as fast for an
    # address that nobody has.
    module ResetMail
      module_function

      def enqueue(kit, person, link)
        text = "Hello #{person[:name].split.first},\n\nsomebody, hopefully you, wants a new password for Ask First. Choose it here, within a day:\n#{link}\n\nIf it was not you, do nothing: your password stays.\n"
        html = "<div style=\"font:16px/1.5 sans-serif;color:#16191C;max-width:32em\"><p>Hello #{CGI.escapeHTML(person[:name].split.first)},</p>" \
               "<p>somebody, hopefully you, wants a new password for Ask First. The link works for a day.</p>" \
               "<p><a href=\"#{link}\" style=\"display:inline-block;background:#16191C;color:#fff;padding:12px 20px;text-decoration:none;border-radius:3px\">Choose a new password</a></p>" \
               "<p style=\"color:#4C5358;font-size:14px\">If it was not you, do nothing: your password stays.</p></div>"
        sealed = kit.secrets.seal(JSON.generate(subject: "A new password for Ask First", text: text, html: html))
        kit.queue.sealed_mail(person[:email], sealed, at: kit.now)
      end
    end
  end
end
