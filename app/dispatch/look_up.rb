# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # An unclear send: the network is asked before anything is sent again. Where it can neither be asked nor takes
      # the same id only once, a person looks and decides.
      class LookUp < ShowingAct
        FIRST = 2 # seconds until the first look after its sender was gone: most networks have it by then

        # @param showing [Hash] a row in state unclear
        # @return [Symbol, false] :planned when the network does not have it, :resend when it may be sent again with
        # the same id
        def call(showing:)
          return false if showing[:due_at] > environment.now

          channel = channel(showing)
          return person(showing, cannot_ask(channel)) if showing[:unconfirmed_at] && !channel[:card].finds_by_id

          following = Core::Dispatch::Doubt.before_asking(channel[:card])
          following ? go_on(showing, channel, following) : ask_network(showing, channel)
        end

        private

        def ask_network(showing, channel)
          address = client(channel).find(Core::Dispatch::SendId.for(showing[:id]))
          return found(showing, channel, address) if address

          settle = settling(channel[:card])
          go_on(
            showing,
            channel,
            Core::Dispatch::Doubt.not_there(
              channel[:card],
              looks: showing[:looks],
              over_at: showing[:over_at],
              settle: settle,
              now: environment.now
            )
          )
        rescue Core::Dispatch::Lapsed
          person(
            showing,
            "It may be out: the connection to #{channel[:name]} lapsed before that could be seen. Connect it again " \
              "and look there."
          )
        rescue Core::Dispatch::Unreachable => e
          look_later(showing, e)
        end

        def found(showing, channel, address)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            sent_at = rows(:attempts).where(showing_id: showing[:id], event: "sending").max(:at)
            if move(:go_out, showing, "found", address, address: address, sent_at: sent_at)
              refresh_stage(went_out([[showing, address, channel]]))
            end
          end
          false
        end

        def go_on(showing, channel, following)
          case following.kind
          when :again
            again(showing, channel[:card])
          when :look
            keep_looking(showing, following)
          else
            person(showing, cannot_ask(channel))
          end
        end

        def cannot_ask(channel)
          "It may be out: #{channel[:name]} gave no clear reply and cannot be asked. Look there, then say here what " \
            "you saw."
        end

        # Back to planned: the send checks everything anew before it creates.
        def again(showing, card)
          release = live_release(showing)
          if too_late?(release, 0) && !card.finds_by_id
            return(
              person(
                showing,
                "It may be out, and it is too late to send it again. Look there, then say here what you saw."
              )
            )
          end

          # in a database that was brought back it may have been taken back or changed since
          card.same_id_once && !showing[:unconfirmed_at] ? resend(showing) : plan_again(showing)
        end

        # It stays unclear until it is claimed again: it may be out all the time.
        def resend(showing)
          write { attempt(showing, "again", "The network counts the same id once, so it is sent again with it.") }
          :resend
        end

        def plan_again(showing)
          moved =
            write do
              Store::Locks.for_posts(scope, [showing[:post_id]])
              move(
                :send_again,
                showing,
                "again",
                "The network was asked and does not have it.",
                due_at: environment.now
              ).tap { |done| refresh_stage([showing[:post_id]]) if done }
            end
          moved ? :planned : false
        end

        def keep_looking(showing, following)
          move(
            :look_again,
            showing,
            "not_there_yet",
            "The network was asked and does not have it yet.",
            due_at: following.at,
            looks: following.looks
          )
          false
        end

        def look_later(showing, error)
          if too_late?(live_release(showing), 0)
            return(
              person(
                showing,
                "It may be out: the network does not answer (#{error.message}). Look there, then say here what you saw."
              )
            )
          end

          move(
            :look_again,
            showing,
            "look_failed",
            error.message,
            due_at: environment.now + Core::Dispatch::Patience.wait(showing[:tries]),
            looks: showing[:looks]
          )
          false
        end

        def person(showing, sentence)
          trouble(:ask_a_person, showing, sentence)
          false
        end
      end
    end
  end
end
