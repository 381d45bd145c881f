# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Sends one showing: first the pictures, then, in one transaction under all gates, the check that it may still go out
      # exactly so and the mark that it is being sent, then the create.
      class Send < ShowingAct
        # @param seen [Hash, nil] what whoever calls has just looked at: {release:, channel:, files:}
        def call(showing:, seen: nil)
          release, channel, @files = (seen || reading { look(showing) }).values_at(:release, :channel, :files)
          return if release.nil?
          return too_late(showing, release) if Core::Dispatch::Patience.too_late?(release[:at], now)
          return lapsed(showing, channel) unless channel[:state] == "connected"

          refresh_card(channel)
          uploads = upload(showing, release, channel) or return
          claimed = claim(showing) or return
          create(showing, claimed, channel, uploads)
        rescue Core::Dispatch::Lapsed
          lapsed(showing, channel)
        rescue Core::Dispatch::Unreachable => e
          later(showing, Core::Dispatch::Patience.wait(showing[:tries] + 1), "The network could not be reached before sending: #{e.message}")
          write { set(showing, tries: showing[:tries] + 1) }
        end

        private

        def too_late(showing, release)
          trouble(showing, "Its time was #{release[:at].utc.strftime('%H:%M')} UTC, more than 30 minutes ago; it was not sent so late.")
        end

        # The card may have changed since the yes; the request is built again under today's.
        def refresh_card(channel)
          card = client(channel).card
          return if card.nil? || (card == channel[:card] && channel[:card_refused].nil?)

          write { rows(:channels).where(id: channel[:id]).update(card: Store::Database.jsonb(card.to_json_hash), card_refused: nil) }
        rescue Core::Invalid => e
          keep_last_card(channel, e.message)
        end

        # One that cannot be used is refused: the last good one stays, and the channel says so.
        def keep_last_card(channel, why)
          return if channel[:card_refused] == why

          write do
            rows(:channels).where(id: channel[:id]).update(card_refused: why)
            record("card_refused", facts: { channel: channel[:name], sentence: why })
            announce("channels", ids: [])
          end
        end

        # Pictures go up before, so that the check stands directly before the create.
        # @return [Hash{String=>String}, nil] rendition id => address at the network
        def upload(showing, release, channel)
          uploads = showing[:uploads]
          (release[:rendition_ids].to_a - uploads.keys).each do |id|
            rendition = @files.fetch(id)
            address = kit.files.open(rendition[:file]) { |io| client(channel).upload(io, rendition[:mime], ::File.basename(rendition[:file])) }
            uploads = uploads.merge(id => address)
            write do
              set_with_attempt(showing, "picture", address, uploads: Store::Database.jsonb(uploads))
            end
          end
          uploads
        end

        # @return [Hash, nil] the release that may go out now; nil when it may not (any more)
        def claim(showing)
          refusal = nil
          claimed = write do
            workspace = Store::Gates.for_sending(scope, channel_id: showing[:channel_id], post_id: showing[:post_id])
            current = rows(:showings).where(id: showing[:id]).for_update.first
            next if current[:state] != "planned" || stopped?(workspace)

            adaptation = standing([showing[:post_id]]).fetch(showing[:post_id]).adaptation(showing[:adaptation_id])
            release = adaptation&.release or next
            next if adaptation.verdict.held?

            refusal = refusal_for(adaptation)
            next if refusal

            set_with_attempt(current, "sending", Core::Dispatch::SendId.for(current[:id]), state: "sending", lease_until: kit.now + kit.settings.lease, tries: current[:tries] + 1,
              may_be_out: true)
            release
          end
          trouble(showing, refusal, only: "planned") if refusal
          claimed
        end

        # Archived or deleted meanwhile: its releases have ended with it.
        def stopped?(client)
          client.nil? || client[:archived_at] || client[:deleted_at]
        end

        # Any difference from what was released is trouble, not a send.
        def refusal_for(adaptation)
          verdict = adaptation.verdict
          faults = Core::Checks::PostChecks.faults(adaptation.request, adaptation.channel[:card])
          return "The network's rules have changed: #{faults.map(&:sentence).join(' ')}" if faults.any?
          return nil if verdict.release_stands?
          return "What would go out is not what was released; it was not sent." if verdict.releasable?

          "Not every yes that it needs counts any more; it was not sent."
        end

        def create(showing, release, channel, uploads)
          sent_at = kit.now
          outcome = client(channel).create(release[:request], pictures: release[:rendition_ids].to_a.map { |id| uploads.fetch(id) },
            send_id: Core::Dispatch::SendId.for(showing[:id]), now: sent_at)
          settle(showing, channel, outcome, sent_at)
        end

        def settle(showing, channel, outcome, sent_at)
          case outcome.kind
          when :out then out(showing, outcome.address, sent_at, "sent")
          when :lapsed then lapsed(showing, channel)
          when :busy then later(showing, outcome.retry_after || Core::Dispatch::Patience.wait(showing[:tries] + 1), "The network asked to wait.")
          when :refused then trouble(showing, "The network refused it: #{outcome.note}", may_be_out: false)
          else unclear(showing, channel[:card], outcome.note, retry_after: outcome.retry_after)
          end
        end
      end
    end
  end
end
