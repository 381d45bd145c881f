# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # "This was not me", from the receipt of a yes: each of its yeses becomes a no of that person, which blocks until
      # their own yes; every link of theirs stops; the leads are told at once. It works after they have left, too.
      # Pressed again, it stops what they have said yes to since. What is out already stays out, and that is said too.
      class Disown < Act
        opens :own_receipt, nil

        WORDS = "This yes was not mine. Said from its receipt."

        # Whoever holds the secret of the receipt's mail.
        # @param secret [String]
        # @return [Hash] JSON-ready: {stopped: posts, out: posts that cannot be stopped any more}
        def self.by_secret(environment, secret, from:)
          row, scope = ReceiptByLink.find(environment, secret)
          name = scope.transaction { environment.db[:people].where(id: row[:person_id]).get(:name) }
          call(environment, Member.of_receipt(row, name: name, from: from), receipt_id: row[:id])
        end

        def call(receipt_id:)
          fresh = rows(:receipts).where(id: receipt_id, disowned_at: nil).update(disowned_at: now).positive?
          lines = ReceiptLines.of(scope, receipt_id)
          answers = lines.flat_map { |line| line[:answers] }
          stopped, out = answers.partition { |one| stoppable?(one) }
          open = fresh ? stopped : stopped.reject { |one| blocked?(one) }
          block(open) if open.any?
          { stopped: stopped.map { |one| one[:post_id] }.uniq.size, out: out.map { |one| one[:post_id] }.uniq.size }
        end

        private

        def stoppable?(answer) = adaptation_of(answer).then { |one| one.nil? || one.stoppable? }
        def adaptation_of(answer) = posts.fetch(answer[:post_id]).adaptation(answer[:adaptation_id])

        # By whoever disowns it; so it stays until a yes of their own.
        def blocked?(answer)
          adaptation_of(answer)&.verdict&.blocks.to_a.any? { |block| block.person_id == member.person_id }
        end

        def block(answers)
          scope.insert(:answers, *answers.map { |one| no(one) })
          rows(:guest_passes).where(person_id: member.person_id, revoked_at: nil).update(revoked_at: now)
          ids = answers.map { |one| one[:post_id] }.uniq
          ids.each do |id|
            record("disowned", post_id: id, facts: told_of(answers.select { |one| one[:post_id] == id }))
          end
          refresh_stage(ids)
          tell(ids)
          stop_publishers(answers)
        end

        def told_of(answers)
          channels = answers.map { |one| posts.fetch(one[:post_id]).channel_name(one[:adaptation_id]) }
          { person: member.name, channels: channels, fingerprints: answers.map { |one| one[:fingerprint] } }
        end

        def no(answer)
          answer.slice(:line_id, :step_id, :post_id, :adaptation_id, :room, :fingerprint, :wall, :zone).merge(
            id: new_id,
            person_id: member.person_id,
            given_by: member.person_id,
            verdict: "no",
            words: WORDS,
            stood: adaptation_of(answer)&.fingerprint,
            eligible: true,
            author: false,
            given_at: now
          )
        end

        def stop_publishers(answers)
          ids = answers.filter_map { |one| one[:adaptation_id] if adaptation_of(one)&.in_hand? }
          words = "Do not publish it, #{member.name} says that a yes in their name was not theirs."
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
            words: "#{member.name} says that a yes in their name was not theirs: #{what}. Nothing of it goes out."
          )
        end
      end
    end
  end
end
