# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Takes one person's verdict on a post as they saw it. The answer echoes what was shown; it is kept for each
      # adaptation, and each is taken for itself: where one cannot be (it is being sent, was taken off, was answered
      # since), the others are kept, and the reply says which was not and why.
      class AnswerAsk < Act
        opens :line, nil

        # @param verdict [String] yes, change or no
        # @param words [String] needed for change and no
        # @param shown [Hash{String=>String}] adaptation id => fingerprint, every one that the page showed
        # @param only [Array<String>, nil] for a change: the adaptations that it is about; nil = all that were shown
        # @param seen [Integer] order of the person's own last verdict that the page showed, 0 if none
        # @return [Hash] JSON-ready {stage:, verdict:, left_out: [{channel:, code:, sentence:}]}
        def call(line_id:, verdict:, shown:, words: "", only: nil, seen: 0)
          said = Core::Posts::Text.clean(words, field: "words", limit: Core::Lengths::WORDS).strip
          raise no_words if verdict != "yes" && said.empty?

          asked = Asked.new(row, post, member)
          chosen = verdict == "yes" ? asked.for_yes(shown) : asked.for_change(shown, only)
          taken, left = chosen.partition { |one| asked.refusal(one, verdict, seen).nil? }
          raise asked.refusal(left.first, verdict, seen) if taken.empty?

          finish(keep_answers(taken, verdict, said), verdict).merge(
            left_out: left.map { |one| left_json(one, asked.refusal(one, verdict, seen)) }
          )
        end

        private

        def no_words
          Core::Invalid.new(
            "words_needed",
            "Say what is to be changed.",
            field: "words",
            way_on: "A few words are enough."
          )
        end

        def left_json(one, error)
          { channel: one.channel, code: error.code, sentence: error.message }
        end

        # @return [Store::Posts::PostState::Post] as it stands with the answers
        def keep_answers(taken, verdict, said)
          kept = insert(taken.map { |one| answer(one, verdict, said) })
          receipt(kept) if verdict == "yes" && member.side == "client"
          tell(verdict, said)
          stop_publishers(taken, said) unless verdict == "yes"
          record(
            "answered",
            post_id: post.id,
            revision_id: row[:revision_id],
            facts: {
              verdict: verdict,
              words: said,
              step_id: row[:step_id],
              channels: taken.map(&:channel),
              fingerprints: taken.map(&:fingerprint),
              counted: kept.map { |one| one[:eligible] }
            }
          )
          post.changed(answers: ->(rows) { rows + kept })
        end

        def receipt(kept)
          CreateReceipt.call(environment, member, person_id: member.person_id, answer_ids: kept.map { |one| one[:id] })
        end

        # @return [Array<Hash>] the rows with their places in the order of sign-off
        def insert(given)
          rows = given.map { |one| one.merge(workspace_id: scope.workspace_id) }
          orders =
            scope.db[:answers]
              .returning(:id, :order_no)
              .insert(rows.first.keys, scope.db.values(rows.map(&:values)))
              .to_h { |row| row.values_at(:id, :order_no) }
          rows.map { |one| one.merge(order_no: orders.fetch(one[:id])) }
        end

        def answer(one, verdict, said)
          {
            id: new_id,
            line_id: row[:id],
            step_id: row[:step_id],
            post_id: post.id,
            adaptation_id: one.id,
            person_id: member.person_id,
            given_by: member.person_id,
            pass_id: member.pass_id,
            verdict: verdict,
            words: said,
            room: row[:room],
            fingerprint: one.fingerprint,
            stood: one.adaptation&.fingerprint,
            wall: one.wall,
            zone: one.zone,
            eligible: verdict != "yes" || one.counts?,
            author: one.author?(member.person_id),
            given_at: now
          }
        end

        def tell(verdict, said)
          yes = said.empty? ? "#{member.name} says yes." : "#{member.name} says yes, and: #{said}"
          words = verdict == "yes" ? yes : "#{member.name} wants a change: #{said}"
          People::Notify.call(
            environment,
            member,
            person_ids: [row[:asked_by]],
            kind: "answered",
            post_id: post.id,
            words: words
          )
        end

        # What somebody is publishing by hand at this moment.
        def stop_publishers(taken, said)
          ids = taken.filter_map { |one| one.id if one.adaptation&.in_hand? }
          words = "Do not publish it, #{member.name} wants a change: #{said}"
          Dispatch::TellPublishers.call(environment, member, adaptation_ids: ids, words: words) if ids.any?
        end

        # A line's adaptation is answered when it is blocked or its places are filled.
        def finish(after, verdict)
          done = after.adaptations.select { |one| answered?(one) }
          if done.any?
            EndLines.call(environment, member, adaptation_ids: done.map(&:id), as: "answered", line_id: row[:id])
          end
          after = after.changed(asked: ->(rows) { ended(rows, done.map(&:id)) })
          keep(after)
          { stage: after.stage, verdict: verdict }
        end

        def answered?(adaptation)
          standing = adaptation.verdict.steps.find { |step| step.step.id == row[:step_id] }
          standing.nil? || standing.satisfied? ||
            adaptation.verdict.blocks.any? { |block| block.step_id == row[:step_id] }
        end

        def ended(rows, adaptation_ids)
          rows.map do |one|
            if one[:line_id] == row[:id] && one[:ended_as].nil? && adaptation_ids.include?(one[:adaptation_id])
              one.merge(ended_as: "answered")
            else
              one
            end
          end
        end
      end
    end
  end
end
