# frozen_string_literal: true

require "securerandom"

module AskFirst
  module App
    module Signoff
      # Mails somebody of the client's side what they said yes to, with the way to say that it was not them.
      class MailReceipt < MailAct
        private

        def compose(receipt_id:)
          receipt = rows(:receipts).where(id: receipt_id, delivered_at: nil).for_update.first or return
          lines = ReceiptLines.of(scope, receipt_id)
          token = SecureRandom.urlsafe_base64(32)
          # what is said yes to from now on stands on another one
          sent_at = receipt[:sent_at] || now
          rows(:receipts).where(id: receipt_id).update(digest: CreatePass.digest(token), sent_at: sent_at)
          to = person(receipt[:person_id])
          { to: to[:email], subject: subject(lines) }.merge(
            letter(to, lines, "#{environment.settings.public_url}/review/#receipt.#{token}")
          )
        end

        def delivered(receipt_id:)
          rows(:receipts).where(id: receipt_id).update(delivered_at: now)
        end

        # A yes that somebody else gave is never called hers.
        def subject(lines)
          posts = how_many(lines.uniq { |line| line[:post_id] }.size)
          in_name = lines.count { |line| ReceiptLines.in_name?(line) }
          said =
            if in_name.zero?
              "you said yes to #{posts}"
            elsif in_name == lines.size
              "yes was said in your name to #{posts}"
            else
              "your yes to #{posts}, partly said in your name"
            end
          "#{workspace[:name]}: #{said}"
        end

        def letter(to, lines, link)
          said = Letter.new(to[:name]).say("This is what stands as your yes. There is nothing to do if it is right.")
          lines.each { |line| said.post(place(line), line[:text], how(line)) }
          said
            .button("Look at it, or say that it was not you", link, lead: "If one was not you, say so there; it stops:")
            .small("Whoever has this mail can do that. Nothing happens by opening the link alone.")
            .foot(App::Record::Top.words(scope))
            .parts
        end

        def place(line)
          "#{planned_words(line[:wall], line[:zone])} · #{line[:channels].join(", ")}"
        end

        # @return [String] "on Wednesday 14 October, 10:31"
        def at(line) = "on #{in_words(line[:given_at])}"

        # A yes that somebody else gave in their name is said as what it is.
        def how(line)
          return ["You said yes #{at(line)}"] unless ReceiptLines.in_name?(line)

          ["#{names.fetch(line[:by])} said yes in your name #{at(line)}: #{line[:words]}"]
        end
      end
    end
  end
end
