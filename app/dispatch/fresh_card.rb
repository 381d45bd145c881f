# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Reads a channel's network card anew: it may have changed since the yes, and the request is built again under
      # today's.
      class FreshCard < ShowingAct
        # @param channel_id [String]
        # @param older_than [Numeric] seconds
        # @raise [Core::Dispatch::Unreachable, Core::Dispatch::Lapsed]
        def call(channel_id:, older_than:)
          channel = reading { Store::Channels::Reached.find(scope, channel_id) }
          return if channel[:card_at] && (environment.now - channel[:card_at]).between?(0, older_than)

          keep(channel, client(channel).card)
        rescue Core::Invalid => e
          keep_last(channel, e.message)
        end

        private

        def keep(channel, card)
          changed = card && (card != channel[:card] || channel[:card_refused])
          write do
            rows(:channels).where(id: channel[:id]).update(
              { card_at: environment.now }.merge(
                changed ? { card: Store::Database.jsonb(card.to_json_hash), card_refused: nil } : {}
              )
            )
            environment.queue.refresh_channel(member.workspace_id, channel[:id], at: environment.now) if changed
          end
        end

        # One that cannot be used is refused: the last good one stays, and the channel says so.
        def keep_last(channel, why)
          write do
            rows(:channels).where(id: channel[:id]).update(card_at: environment.now, card_refused: why)
            next if channel[:card_refused] == why

            record("card_refused", facts: { channel: channel[:name], sentence: why })
            announce("channels", ids: [])
          end
        end
      end
    end
  end
end
