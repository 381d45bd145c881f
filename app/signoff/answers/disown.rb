# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # "This was not me", of one post on the receipt: its yeses become a no of that person, which blocks until their
      # own yes; the leads are told at once. A yes under their own hand was given by whoever held a link of theirs, so
      # every link of theirs stops; what a colleague said in their name stops none. It works after they have left, too.
      # Pressed again, it stops what they have said yes to since. What is out already stays out, and that is said too.
      class Disown < Act
        opens :own_receipt, nil

        WORDS = "This yes was not mine. Said from its receipt."
        IN_NAME = "I did not say this. It was said in my name; taken back from its receipt."

        # Whoever holds the secret of the receipt's mail.
        # @param secret [String]
        # @param line_id [String] of the receipt (see ReceiptLines)
        # @return [Hash] JSON-ready: {stopped: posts, out: posts that cannot be stopped any more}
        # @raise [Core::NotFound] a line that is none of this receipt
        def self.by_secret(environment, secret, line_id, from:)
          row, scope = ReceiptByLink.find(environment, secret)
          name = scope.transaction { environment.db[:people].where(id: row[:person_id]).get(:name) }
          call(environment, Member.of_receipt(row, name: name, from: from), receipt_id: row[:id], line_id: line_id)
        end

        def call(receipt_id:, line_id:)
          @line = ReceiptLines.of(scope, receipt_id).find { |one| one[:id] == line_id }
          raise Core::NotFound, "This yes" unless @line

          answers = @line[:answers]
          fresh = mark(receipt_id, answers)
          stopped, out = answers.partition { |one| stoppable?(one) }
          open = fresh ? stopped : stopped.reject { |one| blocked?(one) }
          block(open) if open.any?
          { stopped: stopped.map { |one| one[:post_id] }.uniq.size, out: out.map { |one| one[:post_id] }.uniq.size }
        end

        private

        def mark(receipt_id, answers)
          rows(:receipt_answers)
            .where(receipt_id: receipt_id, answer_id: answers.map { |one| one[:id] }, disowned_at: nil)
            .update(disowned_at: now)
            .positive?
        end

        def stoppable?(answer) = adaptation_of(answer).then { |one| one.nil? || one.stoppable? }
        def adaptation_of(answer) = posts.fetch(answer[:post_id]).adaptation(answer[:adaptation_id])

        # By whoever disowns it; so it stays until a yes of their own.
        def blocked?(answer)
          adaptation_of(answer)&.verdict&.blocks.to_a.any? { |block| block.person_id == member.person_id }
        end

        def block(answers)
          scope.insert(:answers, *answers.map { |one| no(one) })
          stop_links unless in_name?
          ids = answers.map { |one| one[:post_id] }.uniq
          ids.each do |id|
            record("disowned", post_id: id, facts: told_of(answers.select { |one| one[:post_id] == id }))
          end
          refresh_stage(ids)
          tell(ids)
          stop_publishers(answers)
        end

        def stop_links
          rows(:guest_passes).where(person_id: member.person_id, revoked_at: nil).update(revoked_at: now)
        end

        def in_name? = ReceiptLines.in_name?(@line)

        # Who had said it: nobody but they, or the colleague who said it in their name.
        def said_by = in_name? ? names.fetch(@line[:by], "a colleague of the agency") : nil

        def told_of(answers)
          channels = answers.map { |one| posts.fetch(one[:post_id]).channel_name(one[:adaptation_id]) }
          {
            person: member.name,
            by: said_by,
            channels: channels,
            fingerprints: answers.map { |one| one[:fingerprint] }
          }.compact
        end

        def no(answer)
          answer.slice(:line_id, :step_id, :post_id, :adaptation_id, :room, :fingerprint, :wall, :zone).merge(
            id: new_id,
            person_id: member.person_id,
            given_by: member.person_id,
            verdict: "no",
            words: in_name? ? IN_NAME : WORDS,
            stood: adaptation_of(answer)&.fingerprint,
            eligible: true,
            author: false,
            given_at: now
          )
        end

        def stop_publishers(answers)
          ids = answers.filter_map { |one| one[:adaptation_id] if adaptation_of(one)&.in_hand? }
          words = "Do not publish it: #{sentence}."
          Dispatch::TellPublishers.call(environment, member, adaptation_ids: ids, words: words) if ids.any?
        end

        def tell(ids)
          channels = posts.values_at(*ids).map(&:channel_ids)
          leads = colleagues.select { |one| Core::Permissions::Leads.hears?(one, channels) }.map(&:person_id)
          what = ids.size == 1 ? "“#{posts.fetch(ids.first).row[:subject]}”" : "#{ids.size} posts"
          People::Notify.call(
            environment,
            member,
            person_ids: leads,
            kind: "trouble",
            post_id: ids.first,
            words: "#{sentence}: #{what}. It does not go out."
          )
        end

        def sentence
          return "#{member.name} says that they did not say yes" unless in_name?

          "#{member.name} says that the yes which #{said_by} gave in their name was not theirs"
        end
      end
    end
  end
end
