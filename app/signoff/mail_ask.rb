# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The mail that asks a person of the client's side, with the link that opens exactly this ask.
      class MailAsk < Act
        stepwise
        of_process

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
          {
            to: person[:email],
            **letter(
              person,
              names.fetch(ask[:asked_by]),
              workspace,
              count,
              ask,
              "#{kit.settings.public_url}/review/##{token}"
            )
          }
        end

        def letter(person, asker, workspace, count, ask, link)
          posts = count == 1 ? "one post" : "#{count} posts"
          due = Core::Plan::WallTime.at(ask[:due_at], workspace[:zone]).wall.strftime("%A %-d %B, %H:%M")
          said =
            Letter
              .new(person[:name])
              .say("#{asker} asks for your yes to #{posts}, by #{due}.")
              .quote(ask[:message])
              .button(
                "Look and answer",
                link,
                lead: "Look at it and answer here, no account needed:",
                colour: Letter::YES
              )
              .small("This link is yours alone. Please do not pass it on: whoever has it answers in your name.")
          { subject: "#{workspace[:name]}: #{posts} for your yes by #{due}", **said.parts }
        end
      end
    end
  end
end
