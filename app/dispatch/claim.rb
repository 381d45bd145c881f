# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Takes planned showings of one client for sending, as many as are given, in one transaction under all locks:
      # looks at each once more, exactly as it would go out now, and marks what may go as being sent, each with its
      # own lease. What may not go gets its end here too.
      class Claim < ShowingAct
        # more than this between the database's clock and ours, in seconds, and nothing is sent
        CLOCK_GAP = 2.0

        # One that was claimed. row: the showing, as it stands now · release: the live one, with its request ·
        # channel: with its token · again: whether it was sent before and may have arrived
        Claimed =
          Struct.new(:row, :release, :channel, :lease_token, :again, keyword_init: true) do
            def workspace_id = row[:workspace_id]
          end
        # claimed: to be sent · unprepared: rows whose files are not at their network yet
        Taken = Struct.new(:claimed, :unprepared, keyword_init: true)
        NOTHING = Taken.new(claimed: [], unprepared: []).freeze

        # @param showings [Array<Hash>] rows with :id, :post_id and :channel_id
        # @param sender [Sender]
        # @param again [Boolean] those that were sent before and are unclear, to a network that counts the same id once
        # @return [Taken]
        def call(showings:, sender:, again: false)
          @again = again
          @lease_token = sender.lease_token
          @sender = sender
          sender.watermarked do |watermark|
            write { take(showings).tap { |taken| watermark.call if taken.claimed.any? } }
          end
        end

        private

        def take(showings)
          found = enter_locks(showings)
          return NOTHING if found.empty?

          rulings = found.to_h { |row| [row, rule(row)] }
          claimed = claim(kind(rulings, :send))
          leave(rulings)
          Taken.new(claimed: claimed, unprepared: kind(rulings, :prepare))
        end

        # @return [Array<Hash>] those that are still planned and whose locks are ours
        def enter_locks(showings)
          @client, there, free =
            Store::Locks.for_sending_many(
              scope,
              channel_ids: showings.map { |row| row[:channel_id] }.uniq,
              post_ids: showings.map { |row| row[:post_id] }.uniq
            )
          return [] if @client.nil?

          ours = environment.now
          @now = environment.clock.of_database(there) # from here on the database's clock decides
          return [] if (@now - ours).abs > CLOCK_GAP

          found =
            rows(:showings)
              .where(id: showings.map { |row| row[:id] }, state: @again ? "unclear" : "planned", post_id: free)
              .order(:id)
              .all
          @posts = found.empty? ? {} : post_states(found.map { |row| row[:post_id] })
          @channels = Store::Channels::Reached.several(scope, found.map { |row| row[:channel_id] }.uniq)
          found
        end

        def adaptation(row)
          @posts.fetch(row[:post_id]).adaptation(row[:adaptation_id])
        end

        def rule(row)
          found = adaptation(row)
          release = found&.release
          channel = @channels.fetch(row[:channel_id])
          Core::Dispatch::Clearance.of(
            Core::Dispatch::Clearance::Facts.new(
              state: "planned",
              release: release && { at: release[:at], zone: release[:zone], needs: release[:rendition_ids].to_a },
              uploads: row[:uploads].keys,
              stopped: @client[:archived_at] || @client[:deleted_at],
              unconfirmed: @client[:brought_back] || row[:unconfirmed_at],
              channel: channel,
              fresh: card_known?(channel, now),
              by_hand: release && by_hand?(found),
              verdict: found&.verdict,
              faults: found ? Core::Checks::PostChecks.faults(found.request, found.channel[:card]).map(&:sentence) : [],
              unusable: found&.unusable,
              now: now
            )
          )
        end

        # Whom the client's settings name for what is published by hand.
        def publisher
          Store::Dispatch::Publisher.named(environment.db).where(id: scope.workspace_id).get(:publisher_id)
        end

        # A channel without a network, or a format that its network's protocol does not take.
        def by_hand?(adaptation)
          channel = adaptation.channel
          channel[:state] == "offline" || channel[:card].by_hand.include?(adaptation.release[:request]["format"])
        end

        def kind(rulings, kind)
          rulings.filter_map { |row, ruling| row if ruling.kind == kind }
        end

        def claim(found)
          lease_until = environment.now + environment.settings.lease
          moving =
            found.map do |row|
              Moving.new(
                row: row,
                event: "sending",
                note: Core::Dispatch::SendId.for(row[:id]),
                set: {
                  tries: row[:tries] + 1,
                  sender: @sender.id,
                  lease_until: lease_until,
                  due_at: lease_until,
                  over_at: lease_until
                }
              )
            end
          moved = move_all(@again ? :claim_again : :claim, moving).to_set
          found.select { |row| moved.include?(row[:id]) }.map { |row| claimed(row) }
        end

        def claimed(row)
          Claimed.new(
            row: row.merge(state: "sending", try_no: row[:try_no] + 1, tries: row[:tries] + 1),
            release: adaptation(row).release,
            channel: @channels.fetch(row[:channel_id]),
            lease_token: @lease_token,
            again: @again
          )
        end

        def leave(rulings)
          ended = rulings.filter_map { |row, ruling| row[:post_id] if leave_one(row, ruling) }
          refresh_stage(ended.uniq) if ended.any?
        end

        # @return [Boolean] whether the post stands elsewhere now
        def leave_one(row, ruling)
          return leave_unclear(row, ruling) if @again

          case ruling.kind
          when :nothing
            look_at(row, nil)
          when :wait
            look_at(row, ruling.until)
          when :hand
            wait_for_hand(row)
          when :lapsed
            stop(row, lapsed_sentence(@channels.fetch(row[:channel_id])))
          when :trouble
            stop(row, ruling.sentence)
          else
            false
          end
        end

        # It may be out, so it does not go back among what can be changed.
        def leave_unclear(row, ruling)
          case ruling.kind
          when :trouble, :lapsed, :nothing, :hand
            why = ruling.sentence || "it cannot be sent again."
            end_in_trouble(
              :ask_a_person,
              row,
              "It may be out, and #{why[0].downcase}#{why[1..]} Look there, then say here what you saw."
            )
          when :wait, :prepare
            later = ruling.until || (environment.now + Core::Dispatch::Clearance::HELD_FOR)
            move(:look_again, row, nil, "", due_at: later, looks: row[:looks])
            false
          end
        end

        def wait_for_hand(row)
          return false unless move(:wait_for_hand, row, "due_by_hand")

          name = adaptation(row).channel[:name]
          record("due_by_hand", post_id: row[:post_id], adaptation_id: row[:adaptation_id], facts: { channel: name })
          People::Notify.call(
            environment,
            member,
            person_ids: [publisher || @posts.fetch(row[:post_id]).row[:owner_id]],
            kind: "task",
            post_id: row[:post_id],
            words: "Publish it by hand now on #{name}."
          )
          true
        end
      end
    end
  end
end
