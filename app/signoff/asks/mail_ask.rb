# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The mail that asks a person of the client's side, with the link that opens exactly this ask.
      class MailAsk < MailAct
        SHOWN = 25 # posts that stand in the mail

        private

        def compose(ask_id:, person_id:)
          ask = rows(:asks).where(id: ask_id).first
          return if ask.nil? || ask[:withdrawn_at]

          token = CreatePass.call(environment, member, ask_id: ask_id, person_id: person_id)
          lines = rows(:ask_lines).where(ask_id: ask_id).select_map(:id)
          to = person(person_id)
          said = letter(to, ask, lines, token)
          reply_to = answered_at(said, token, line_id: lines.one? ? lines.first : nil)
          {
            to: to[:email],
            reply_to: reply_to,
            subject: "#{workspace[:name]}: #{how_many(lines.size)} for your yes by #{in_words(ask[:due_at])}",
            **said.foot(App::Record::Top.words(scope)).parts
          }
        end

        def letter(to, ask, lines, token)
          posts = how_many(lines.size)
          said =
            Letter
              .new(to[:name])
              .say("#{names.fetch(ask[:asked_by])} asks for your yes to #{posts}, by #{in_words(ask[:due_at])}.")
              .quote(ask[:message])
              .button(
                "Look and answer",
                "#{environment.settings.public_url}/review/##{token}",
                lead: "Look at it and answer here, no account needed:",
                colour: Letter::YES
              )
          show(said, ask, token, apart: lines.size > 1)
          said.small("This link is yours alone. Please do not pass it on: whoever has it answers in your name.")
        end

        # Where an answer to it is taken, and the sentence that says what becomes of it.
        # @param token [String] the pass of the link in it
        # @return [String, nil]
        def answered_at(letter, token, line_id: nil)
          address = reply_address(token, line_id) or return
          letter.small(
            "If you answer this mail, it is said to the agency. It is no yes: that is behind the link alone."
          )
          address
        end

        def reply_address(token, line_id)
          pass = rows(:guest_passes).where(digest: CreatePass.digest(token)).get(:id)
          Talk::ReplyAddress.make(environment, scope, pass_id: pass, line_id: line_id)
        end

        # The posts themselves, so that the mail can be read where nothing else can; they are answered behind the link.
        # @param token [String] the pass
        # @param apart [Boolean] whether each has an address of its own to say something about it
        # @param only [Array<String>, nil] ids of posts; nil for all of the ask
        def show(letter, ask, token, apart:, only: nil)
          open = rows(:ask_lines).where(ask_id: ask[:id], ended_at: nil)
          open = open.where(post_id: only) if only
          lines = open.order(:id).select_map(:id)
          asked =
            Store::Signoff::AskedRows
              .of(scope, lines)
              .group_by { |row| row[:line_id] }
              .values
              .flat_map { |own| StillAsked.of(own) }
          variants = asked.group_by { |row| [row[:line_id], row[:wall], row[:request]["text"]] }.values
          variants = variants.sort_by { |own| own.first[:wall] || Time.at(0) }
          said = Hash.new { |all, line| all[line] = apart ? reply_address(token, line) : nil }
          variants
            .first(SHOWN)
            .each do |own|
              first = own.first
              letter.post(place(own), first[:request]["text"], files(first), say: said[first[:line_id]])
            end
          rest = variants.size - SHOWN
          letter.say("#{rest} more #{rest == 1 ? "stands" : "stand"} behind the link.") if rest.positive?
        end

        # @param own [Array<Hash>] of Store::Signoff::AskedRows, that say the same at the same time
        def place(own)
          "#{planned_words(own.first[:wall], own.first[:zone])} · #{own.map { |row| row[:channel] }.join(", ")}"
        end

        # @return [Array<String>] what its files show, for who does not see them here
        def files(row)
          row[:request]["media"].map do |file|
            kind = file.fetch("kind", "picture").capitalize
            file["description"].to_s.empty? ? "#{kind} behind the link" : "#{kind}: #{file["description"]}"
          end
        end
      end
    end
  end
end
