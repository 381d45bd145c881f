# frozen_string_literal: true

require "cgi"

module AskFirst
  module App
    module Signoff
      # The mail that asks a person of the client's side, with the link that opens exactly this ask.
      class MailAsk < Act
        stepwise

        def call(ask_id:, person_id:)
          mail = write { compose(ask_id, person_id) }
          kit.mailer.deliver(**mail) if mail
        end

        private

        def compose(ask_id, person_id)
          ask = rows(:asks).where(id: ask_id).first
          return if ask.nil? || ask[:withdrawn_at]

          token = MintPass.call(kit, member, ask_id: ask_id, person_id: person_id)
          count = rows(:ask_lines).where(ask_id: ask_id).count
          person = kit.db[:people].where(id: person_id).first
          { to: person[:email], **letter(person, names.fetch(ask[:asked_by]), workspace, count, ask, "#{kit.settings.public_url}/review/##{token}") }
        end

        def letter(person, asker, workspace, count, ask, link)
          posts = count == 1 ? "one post" : "#{count} posts"
          due = Core::Plan::WallTime.at(ask[:due_at], workspace[:zone]).wall.strftime("%A %-d %B, %H:%M")
          {
            subject: "#{workspace[:name]}: #{posts} for your yes by #{due}",
            text: text(person, asker, posts, due, ask[:message], link),
            html: html(person, asker, posts, due, ask[:message], link)
          }
        end

        def text(person, asker, posts, due, message, link)
          <<~TEXT
            Hello #{person[:name].split.first},

            #{asker} asks for your yes to #{posts}, by #{due}.
            #{"\n#{message}\n" unless message.empty?}
            Look at it and answer here, no account needed:
            #{link}

            This link is yours alone. Please do not pass it on: whoever has it answers in your name.
          TEXT
        end

        def html(person, asker, posts, due, message, link)
          said = message.empty? ? "" : "<p style=\"border-left:4px solid #55389A;padding-left:12px\">#{CGI.escapeHTML(message)}</p>"
          <<~HTML
            <div style="font:16px/1.5 sans-serif;color:#16191C;max-width:32em">
            <p>Hello #{CGI.escapeHTML(person[:name].split.first)},</p>
            <p>#{CGI.escapeHTML(asker)} asks for your yes to #{posts}, by #{due}.</p>#{said}
            <p><a href="#{link}" style="display:inline-block;background:#17693F;color:#fff;padding:12px 20px;text-decoration:none;border-radius:3px">Look and answer</a></p>
            <p style="color:#4C5358;font-size:14px">No account needed. This link is yours alone: whoever has it answers in your name.</p>
            </div>
          HTML
        end
      end
    end
  end
end
