# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # One mail with all that waits for somebody of the client's side, each ask behind a link of its own. The links of
      # the mails before go on working.
      class MailReminder < MailAsk
        private

        def compose(person_id:)
          mine = rows(:ask_people).where(person_id: person_id).select(:ask_id)
          asks = rows(:asks).where(id: mine, room: "client", withdrawn_at: nil).order(:due_at).all
          waiting = WaitingOn.of(scope, asks.map { |ask| ask[:id] }, method(:post_states))
          left = asks.select { |ask| waiting.fetch(ask[:id], {}).key?(person_id) }
          return if left.empty? # answered since

          to = person(person_id)
          count = left.sum { |ask| waiting[ask[:id]][person_id].size }
          letter = Letter.new(to[:name]).say("Still waiting for your yes: #{how_many(count)}.")
          tokens = left.map { |ask| remind(letter, ask, waiting[ask[:id]][person_id], person_id, apart: count > 1) }
          letter.small("These links are yours alone. Please do not pass them on.")
          reply_to = answered_at(letter, tokens.first)
          said = letter.foot(App::Record::Top.words(scope)).parts
          {
            to: to[:email],
            subject: "#{workspace[:name]}: #{how_many(count)} still for your yes",
            reply_to: reply_to,
            **said
          }
        end

        # @return [String] the pass
        def remind(letter, ask, post_ids, person_id, apart:)
          token = CreatePass.call(environment, member, ask_id: ask[:id], person_id: person_id, keep: true)
          was = ask[:due_at] > now ? "by" : "was due"
          letter.say(
            "#{names.fetch(ask[:asked_by])} asked for #{how_many(post_ids.size)}, #{was} #{in_words(ask[:due_at])}."
          )
          show(letter, ask, token, only: post_ids, apart: apart)
          link = "#{environment.settings.public_url}/review/##{token}"
          letter.button("Look and answer", link, lead: "Look at it and answer here:", colour: Letter::YES)
          token
        end
      end
    end
  end
end
