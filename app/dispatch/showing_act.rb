# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What the dispatcher's acts have in common: a showing, its channel's client, its moves and attempts, and the
      # ends it can reach.
      class ShowingAct < Act
        stepwise
        of_process

        # Seconds after it must show until it is looked at: when a thousand go out at one minute, sending comes first.
        FIRST_LOOK = 8

        # seconds that a card is believed at the moment of sending; what is due has it read anew before (Prepare)
        CARD_KNOWN = 300

        Moving = Store::Dispatch::Moves::Moving

        private

        # The posts' locks are held already.
        def refresh_stage(post_ids)
          Signoff::RefreshStage.call(environment, member, posts: post_states(post_ids).values)
        end

        def showing(id)
          reading { rows(:showings).where(id: id).first }
        end

        def live_release(showing)
          reading { Store::Dispatch::Releases.of_showing(scope, showing[:id]) }
        end

        # As it stood when this act first looked.
        def channel(showing)
          @channels ||= {}
          @channels[showing[:channel_id]] ||= reading { Store::Channels::Reached.find(scope, showing[:channel_id]) }
        end

        def client(channel)
          environment.networks.client_for(channel)
        end

        # Whether the channel's card was read lately, also by a clock that has been set back since.
        def card_known?(channel, at)
          channel[:micropub].nil? || (!channel[:card_at].nil? && (at - channel[:card_at]).abs <= CARD_KNOWN)
        end

        def settling(card)
          [card.settles_within, environment.settings.settle_floor].max
        end

        def attempt(showing, event, note = "")
          scope.insert(
            :attempts,
            {
              id: Core::Uuid.v7(environment.now),
              showing_id: showing[:id],
              event: event,
              note: note.to_s[0, 2_000],
              at: environment.now
            }
          )
        end

        # @param name [Symbol] of Core::Dispatch::Moves
        # @param event [String, nil] the attempt that goes with it
        # @return [Boolean] false: somebody else has moved it meanwhile, and nothing was done
        def move(name, showing, event = nil, note = "", **set)
          write { move_all(name, [Moving.new(row: showing, set: set, event: event, note: note)]).any? }
        end

        # @param moving [Array<Moving>]
        # @return [Array<String>] ids of those that moved
        def move_all(name, moving)
          Store::Dispatch::Moves.make(scope, name, moving, at: environment.now)
        end

        # When a planned one is looked at next; no move.
        # @return [false] nothing stands elsewhere by it
        def look_at(showing, time)
          rows(:showings).where(id: showing[:id], state: "planned", try_no: showing[:try_no]).update(due_at: time)
          false
        end

        def too_late?(release, wait)
          release && Core::Dispatch::Patience.too_late?(release[:at], environment.now + wait)
        end

        def lapsed_sentence(channel)
          "The connection to #{channel[:name]} has lapsed: the network no longer accepts it. Connect it again, then " \
            "release again."
        end

        # The post's lock comes before the showing's row, as in every act; whoever calls this and the ones below holds
        # it.
        # @param gone [Array<Array(Hash, String, Hash)>] showing, address and channel of each
        # @return [Array<String>] the posts' ids
        def went_out(gone)
          said =
            gone.map do |showing, address, channel|
              {
                act: "sent",
                post_id: showing[:post_id],
                adaptation_id: showing[:adaptation_id],
                facts: {
                  channel: channel[:name],
                  address: address
                }
              }
            end
          Store::Record::Rows.add_all(scope, now: now, who: member.on_record, rows: said)
          at = environment.now + FIRST_LOOK
          seen =
            gone
              .select { |_, _, channel| channel[:micropub] }
              .map { |showing, _, channel| [showing[:id], at + channel[:card].settles_within] }
          environment.queue.verify_all(member.workspace_id, seen.to_h)
          gone.map { |showing, *| showing[:post_id] }
        end

        # @param name [Symbol] a move that ends in trouble
        # @return [Boolean] whether it moved
        def end_in_trouble(name, showing, sentence, **set)
          return false unless move(name, showing, "trouble", sentence, trouble: sentence, **set)

          record(
            "trouble",
            post_id: showing[:post_id],
            adaptation_id: showing[:adaptation_id],
            facts: {
              channel: channel(showing)[:name],
              sentence: sentence
            }
          )
          tell(showing, sentence)
          true
        end

        def stop(showing, sentence)
          end_in_trouble(:stop, showing, sentence)
        end

        # The same for one that is not in a transaction yet.
        def trouble(name, showing, sentence)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            refresh_stage([showing[:post_id]]) if end_in_trouble(name, showing, sentence)
          end
        end

        def tell(showing, sentence)
          owner = rows(:posts).where(id: showing[:post_id]).get(:owner_id)
          released_by = rows(:releases).where(showing_id: showing[:id]).select_map(:released_by)
          People::Notify.call(
            environment,
            member,
            person_ids: [owner, *released_by],
            kind: "trouble",
            post_id: showing[:post_id],
            words: "#{channel(showing)[:name]}: #{sentence}"
          )
        end

        # A fault of ours: told when it first stands there, tried again with growing waits, for good only when it is
        # too late.
        # @param name [Symbol, nil] the move back to planned; nil where it is planned
        # @return [String, nil] the post's id where it stands elsewhere now
        def keep_broken(name, showing, release, why)
          tries = showing[:tries] + 1
          wait = Core::Dispatch::Patience.wait(tries)
          sentence =
            "It could not be sent yet: #{why[0].downcase}#{why[1..]} It is tried again until it is 30 minutes late."
          told = rows(:showings).where(id: showing[:id]).get(:fault)
          if too_late?(release, wait)
            gone = "#{why} It was tried until it was 30 minutes late, and not sent."
            return showing[:post_id] if end_in_trouble(name ? :refused : :stop, showing, gone)
          elsif if name
                move(name, showing, "fault", why, due_at: environment.now + wait, fault: sentence)
              else
                wait_longer(showing, release, wait, "fault", why, fault: sentence)
              end
            said_at_once(showing, sentence) if told != sentence
            return showing[:post_id] if name
          end
          nil
        end

        def said_at_once(showing, sentence)
          record(
            "fault",
            post_id: showing[:post_id],
            adaptation_id: showing[:adaptation_id],
            facts: {
              channel: channel(showing)[:name],
              sentence: sentence
            }
          )
          tell(showing, sentence)
          announce("dispatch", ids: [showing[:post_id]])
        end

        # Still planned, and looked at again after a while; never before its time.
        def wait_longer(showing, release, wait, event, note, **set)
          at = [environment.now + wait, release && release[:at]].compact.max
          here = rows(:showings).where(id: showing[:id], state: "planned", try_no: showing[:try_no])
          return false if here.update({ due_at: at, tries: showing[:tries] + 1, preparing_until: nil }.merge(set)).zero?

          attempt(showing, event, note)
          true
        end
      end
    end
  end
end
