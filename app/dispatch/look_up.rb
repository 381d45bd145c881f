# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # An unclear send: the network is asked before anything is sent again. Where it can neither be asked nor takes the same
      # id only once, a person looks and decides.
      class LookUp < ShowingAct
        def call(showing:)
          return wait_for(showing) if showing[:next_look_at] && showing[:next_look_at] > now

          channel = channel(showing)
          card = channel[:card]
          if card.finds_by_id then ask_network(showing, channel)
          elsif card.same_id_once then send_again(showing, "The network counts the same id once, so it is sent again with it.")
          else
            trouble(showing, "It may be out: #{channel[:name]} gave no clear reply and cannot be asked. Look there, then say here what you saw.")
          end
        end

        private

        def wait_for(showing)
          kit.queue.advance(member.workspace_id, showing[:id], at: showing[:next_look_at])
        end

        def ask_network(showing, channel)
          address = client(channel).find(Core::Dispatch::SendId.for(showing[:id]))
          return out(showing, address, sending_since(showing), "found") if address

          send_again(showing, "The network was asked and does not have it.")
        rescue Core::Dispatch::Lapsed
          trouble(showing, "It may be out: the connection to #{channel[:name]} lapsed before that could be seen. Connect it again and look there.")
        rescue Core::Dispatch::Unreachable => e
          look_later(showing, e)
        end

        def sending_since(showing)
          reading { rows(:attempts).where(showing_id: showing[:id], event: "sending").max(:at) }
        end

        def look_later(showing, error)
          release = live_release(showing)
          if release && Core::Dispatch::Patience.too_late?(release[:at], now)
            return trouble(showing, "It may be out: the network does not answer (#{error.message}). Look there, then say here what you saw.")
          end

          write do
            wait = Core::Dispatch::Patience.wait(showing[:tries] + 1)
            set(showing, next_look_at: now + wait)
            attempt(showing, "look_failed", error.message)
            kit.queue.advance(member.workspace_id, showing[:id], at: now + wait)
          end
        end

        # Back to planned: the send checks everything anew before it creates.
        def send_again(showing, note)
          write do
            done = rows(:showings).where(id: showing[:id], state: "unclear").update(state: "planned", next_look_at: nil, may_be_out: false)
            next if done.zero?

            attempt(showing, "again", note)
          end
          found = showing(showing[:id])
          Send.call(kit, member, showing: found) if found[:state] == "planned"
        end
      end
    end
  end
end
