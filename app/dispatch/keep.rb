# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Keeps what came of sends, those of one client together in one transaction. Each is kept only where its showing
      # is still at the try that was sent.
      class Keep < ShowingAct
        # @param ended [Array<Send::Ended>]
        def call(ended:)
          ended.select { |one| one.kind == :lapsed }.map { |one| one.claimed.channel[:id] }.uniq.each { |id| lapse(id) }
          write do
            Store::Locks.for_posts(scope, ended.map { |one| one.row[:post_id] })
            taken = taken_addresses(ended)
            moved = ended.group_by { |one| kind(one, taken) }.flat_map { |kind, same| send(:"keep_#{kind}", same) }
            refresh_stage(moved.uniq) if moved.any?
          end
        end

        private

        # In its own transaction, since a channel's lock comes before a post's.
        def lapse(channel_id)
          write do
            Store::Locks.for_channel(scope, channel_id)
            Channels::Lapse.call(environment, member, channel_id: channel_id)
          end
        end

        # A network that gives somebody else's address has not said where this one is.
        def taken_addresses(ended)
          said = ended.filter_map(&:address)
          said.empty? ? {} : rows(:showings).where(address: said).to_hash(:address, :id)
        end

        def kind(one, taken)
          return one.kind unless one.kind == :out

          other = taken[one.address]
          other && other != one.row[:id] ? :unclear : :out
        end

        # @return [Array<String>] post ids, here and below
        def keep_out(ended)
          moved =
            move_all(
              :go_out,
              ended.map do |one|
                Moving.new(
                  row: one.row,
                  event: "sent",
                  note: one.address,
                  set: {
                    address: one.address,
                    sent_at: one.sent_at
                  }
                )
              end
            )
          went_out(
            ended
              .select { |one| moved.include?(one.row[:id]) }
              .map { |one| [one.row, one.address, one.claimed.channel] }
          )
        end

        def keep_busy(ended)
          put_off(ended, "The network asked to wait.") do |one|
            one.retry_after || Core::Dispatch::Patience.wait(one.row[:tries])
          end
        end

        def keep_unreached(ended)
          put_off(ended, "The network could not be reached.") { |one| Core::Dispatch::Patience.wait(one.row[:tries]) }
        end

        # Nothing arrived, so it may be tried again, unless it gets too late for it.
        def put_off(ended, words)
          ended.filter_map do |one|
            wait = yield(one)
            if one.claimed.again
              not_begun(one, "later", words, in_time(one, environment.now + wait)) && nil
            elsif too_late?(one.claimed.release, wait)
              fail_for_good(
                one,
                "#{words} It would be more than #{Core::Dispatch::Patience::TOLERANCE / 60} minutes late, so it was " \
                  "not sent."
              )
            elsif not_begun(one, "later", words, environment.now + wait)
              one.row[:post_id]
            end
          end
        end

        def keep_refused(ended)
          ended.filter_map { |one| fail_for_good(one, "The network refused it: #{one.note}") }
        end

        def keep_lapsed(ended)
          ended.filter_map { |one| fail_for_good(one, lapsed_sentence(one.claimed.channel)) }
        end

        # One that was sent before may be out, whatever the network says of this try.
        def fail_for_good(one, sentence)
          ended =
            if one.claimed.again
              end_in_trouble(:refused, one.row, "It may be out: #{sentence}", may_be_out: true)
            else
              end_in_trouble(:refused, one.row, sentence)
            end
          one.row[:post_id] if ended
        end

        def keep_unclear(ended)
          ended.each do |one|
            settle = settling(one.claimed.channel[:card])
            move(
              :leave_unclear,
              one.row,
              "unclear",
              one.note,
              over_at: one.over_at,
              due_at: [one.over_at + settle, in_time(one, one.over_at + (one.retry_after || 0))].max
            )
          end
          []
        end

        # However long a network wants to be left alone: it is looked at when it would be too late to send it.
        def in_time(one, time)
          over = one.claimed.release[:at] + Core::Dispatch::Patience::TOLERANCE + 1
          over > environment.now ? [time, over].min : environment.now
        end

        def keep_given_back(ended)
          # a hold may have come in between
          ended.filter_map { |one| one.row[:post_id] if not_begun(one, "given_back", one.note, environment.now) }
        end

        # This try did not arrive; one before it may have.
        def not_begun(one, event, note, due_at)
          move(one.claimed.again ? :stay_unclear : :not_taken, one.row, event, note, due_at: due_at)
        end

        def keep_fault(ended)
          again, first = ended.partition { |one| one.claimed.again }
          again.each do |one|
            not_begun(one, "fault", one.note, environment.now + Core::Dispatch::Patience.wait(one.row[:tries]))
          end
          first.filter_map { |one| keep_broken(:give_back, one.row, one.claimed.release, one.note) }
        end
      end
    end
  end
end
