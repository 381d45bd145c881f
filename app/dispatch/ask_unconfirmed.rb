# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Of a database that was brought back: asks a showing's network whether it went out since. What is there is out;
      # what a person released afterwards and is not there may go; everything else waits for a person's word
      # (Confirm).
      class AskUnconfirmed < ShowingAct
        AGAIN = 30 # seconds until a network that could not be asked is asked again
        BROKEN = 300 # the same after a fault of ours

        def call(showing_id:)
          found = showing(showing_id)
          return unless found && found[:ask_at] && Store::Dispatch::Unconfirmed::RESTING.include?(found[:state])

          said, address = ask(channel(found), found)
          keep(found, said, address)
        rescue Core::Dispatch::Lapsed, Core::Dispatch::Unreachable => e
          ask_later(found, AGAIN, e)
        rescue Core::Error, *Store::Failures::ANY
          raise
        rescue StandardError => e
          ask_later(found, BROKEN, e)
        end

        private

        # @return [Array(String, String)] what the network said, and the address where it is
        def ask(channel, showing)
          return ["cannot_ask"] unless channel[:micropub] && channel[:card].finds_by_id

          address = client(channel).find(Core::Dispatch::SendId.for(showing[:id]))
          address ? ["there", address] : ["not_there"]
        end

        # Under the post's lock, and only where it stands as it did: a person may have decided meanwhile.
        def keep(showing, said, address)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            release = live_release(showing)
            here =
              rows(:showings).where(
                id: showing[:id],
                state: showing[:state],
                try_no: showing[:try_no],
                unconfirmed_at: showing[:unconfirmed_at]
              )
            next if release.nil? || here.empty?

            case Core::Dispatch::Unconfirmed.after(
              said,
              released_at: release[:released_at],
              noticed_at: showing[:unconfirmed_at]
            )
            when :out
              out(showing, address, release)
            when :confirmed
              confirmed(showing, here, release)
            else
              wait_for_person(showing, here, said)
            end
          end
        end

        def out(showing, address, release)
          moved = move(:found_there, showing, "found", address, address: address, sent_at: [release[:at], now].min)
          refresh_stage(went_out([[showing, address, channel(showing)]])) if moved
        end

        def confirmed(showing, here, release)
          attempt(showing, "not_there", "The network was asked and does not have it.")
          here.update(
            Store::Dispatch::Moves::CONFIRMED.merge(
              showing[:state] == "planned" ? { due_at: [release[:at], now].max } : {}
            )
          )
        end

        def wait_for_person(showing, here, said)
          if showing[:network_said] != said
            attempt(
              showing,
              said,
              said == "not_there" ? "The network was asked and does not have it." : "Its network cannot be asked."
            )
          end
          here.update(network_said: said, ask_at: nil)
          announce("dispatch", ids: [showing[:post_id]])
        end

        def ask_later(showing, wait, error)
          write do
            attempt(showing, "look_failed", error.message) if showing[:network_said].nil?
            rows(:showings)
              .where(id: showing[:id])
              .exclude(unconfirmed_at: nil)
              .update(network_said: "cannot_ask", ask_at: environment.now + wait)
          end
        end
      end
    end
  end
end
