# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What the dispatcher's acts have in common: a showing, its channel's client, its attempts, and the ends it can reach.
      class ShowingAct < Act
        stepwise
        of_process

        private

        def showing(id)
          reading { rows(:showings).where(id: id).first }
        end

        def live_release(showing)
          found = rows(:releases).where(showing_id: showing[:id], ended_at: nil)
            .join(:revision_adaptations, workspace_id: :workspace_id, id: :revision_adaptation_id)
            .select_all(:releases).select_append(:request, :rendition_ids, :revision_id)
          reading { found.first }
        end

        # All that sending needs to know before it begins. The claim looks again, under all gates.
        def look(showing)
          release = live_release(showing)
          missing = release ? release[:rendition_ids].to_a - showing[:uploads].keys : []
          { release: release, channel: channel(showing), files: missing.empty? ? {} : rows(:renditions).where(id: missing).to_hash(:id) }
        end

        # As it stood when this act first looked.
        def channel(showing)
          @channels ||= {}
          @channels[showing[:channel_id]] ||= reading { Store::Channels::Reached.find(scope, showing[:channel_id]) }
        end

        def client(channel)
          @clients ||= {}
          @clients[channel[:id]] ||= kit.networks.client_for(channel)
        end

        def attempt(showing, event, note = "")
          scope.insert(:attempts, attempt_row(showing, event, note))
        end

        def attempt_row(showing, event, note)
          { id: Core::Uuid.v7(kit.now), showing_id: showing[:id], event: event, note: note.to_s[0, 2_000], at: kit.now }
        end

        # The showing, and what was done about it, in one statement.
        def set_with_attempt(showing, event, note, **values)
          said = scope.db[:attempts].returning(:id).with_sql(:insert_sql, attempt_row(showing, event, note).merge(workspace_id: scope.workspace_id))
          rows(:showings).where(id: showing[:id]).with(:said, said).update(values)
        end

        def set(showing, **values)
          rows(:showings).where(id: showing[:id]).update(values)
        end

        # The post's gate comes before the showing's row, as in every act: who claims holds the gate while waiting for the row.
        def out(showing, address, sent_at, event)
          write do
            Store::Gates.for_posts(scope, [showing[:post_id]])
            set_with_attempt(showing, event, address, state: "out", lease_until: nil, address: address, sent_at: sent_at, trouble: "", next_look_at: nil, claimed_by: nil, claimed_at: nil,
              may_be_out: true)
            reached = channel(showing)
            record("sent", post_id: showing[:post_id], adaptation_id: showing[:adaptation_id], facts: { channel: reached[:name], address: address })
            kit.queue.verify(member.workspace_id, showing[:id], at: kit.now + reached[:card].settles_within + 1) if reached[:micropub]
            restage([showing[:post_id]])
          end
        end

        # @param only [String, nil] do nothing unless the showing still stands there: somebody else may have moved it on
        # @param may_be_out [Boolean, nil] whether the network may have it; nil: as far as it was known before
        def trouble(showing, sentence, only: nil, may_be_out: nil)
          write do
            Store::Gates.for_posts(scope, [showing[:post_id]])
            standing_there = rows(:showings).where(id: showing[:id])
            standing_there = standing_there.where(state: only) if only
            known = { may_be_out: may_be_out }.compact
            next if standing_there.update({ state: "trouble", lease_until: nil, trouble: sentence, next_look_at: nil }.merge(known)).zero?

            attempt(showing, "trouble", sentence)
            record("trouble", post_id: showing[:post_id], adaptation_id: showing[:adaptation_id],
              facts: { channel: channel(showing)[:name], sentence: sentence })
            tell(showing, sentence)
            restage([showing[:post_id]])
          end
        end

        def tell(showing, sentence)
          owner = rows(:posts).where(id: showing[:post_id]).get(:owner_id)
          released_by = rows(:releases).where(showing_id: showing[:id]).select_map(:released_by)
          People::Notify.call(kit, member, person_ids: [owner, *released_by], kind: "trouble", post_id: showing[:post_id], words: "#{channel(showing)[:name]}: #{sentence}")
        end

        def lapsed(showing, channel)
          write { Channels::Lapse.call(kit, member, channel_id: channel[:id]) }
          trouble(showing, "The connection to #{channel[:name]} has lapsed: the network no longer accepts it. Connect it again, then release again.", may_be_out: false)
        end

        # Back in the queue: nothing arrived, so it may be tried again, unless it gets too late for it.
        def later(showing, wait, note)
          release = live_release(showing)
          if release && Core::Dispatch::Patience.too_late?(release[:at], kit.now + wait)
            return trouble(showing, "#{note} It would be more than #{Core::Dispatch::Patience::TOLERANCE / 60} minutes late, so it was not sent.", may_be_out: false)
          end

          write do
            set(showing, state: "planned", lease_until: nil, may_be_out: false)
            attempt(showing, "later", note)
            kit.queue.advance(member.workspace_id, showing[:id], at: kit.now + wait)
          end
        end

        # Only a send that is still under way becomes unclear; one whose end was kept meanwhile stays as it is.
        def unclear(showing, card, note, retry_after: nil)
          wait = [card.settles_within, kit.settings.settle_floor, retry_after || 0].max
          write do
            under_way = rows(:showings).where(id: showing[:id], state: "sending")
            next if under_way.update(state: "unclear", lease_until: nil, next_look_at: kit.now + wait).zero?

            attempt(showing, "unclear", note)
            kit.queue.advance(member.workspace_id, showing[:id], at: kit.now + wait)
          end
        end
      end
    end
  end
end
