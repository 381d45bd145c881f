# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What can be done before a showing's time is done before: its network's card is read anew, its files go up. So
      # the check at its time stands directly before the create.
      class Prepare < ShowingAct
        AHEAD = 90 # seconds before its time
        CARD_FRESH = 60 # seconds that a card is believed

        # @param showing [Hash] with :id
        # @return [Boolean] whether everything is there now
        def call(showing:)
          found = start(showing[:id]) or return false
          release = live_release(found) or return done(found)
          channel = channel(found)
          return done(found) unless channel[:state] == "connected"

          FreshCard.call(environment, member, channel_id: channel[:id], older_than: CARD_FRESH)
          upload(found, release, channel)
          done(found)
        rescue Core::Dispatch::Lapsed
          gone_stale(found, channel)
        rescue Core::Media::Spoiled => e
          spoiled(found, channel, e)
        rescue Core::Dispatch::Unreachable => e
          put_off(found, release, e)
        rescue *Store::Failures::ANY
          raise
        rescue StandardError => e
          broken(found, release, e)
        end

        private

        # @return [Hash, nil] nil while somebody else is at it
        def start(id)
          at = environment.now
          write do
            free =
              rows(:showings)
                .where(id: id, state: "planned")
                .where { (preparing_until =~ nil) | (preparing_until < at) }
            free.returning.update(preparing_until: environment.now + environment.settings.lease).first
          end
        end

        def upload(showing, release, channel)
          missing = release[:rendition_ids].to_a - showing[:uploads].keys
          files = missing.empty? ? {} : reading { rows(:renditions).where(id: missing).to_hash(:id) }
          missing.each do |id|
            rendition = files.fetch(id)
            address =
              environment
                .files
                .open_same(rendition[:file], **rendition.slice(:digest, :bytes)) do |io|
                  client(channel).upload(io, rendition[:mime], ::File.basename(rendition[:file]))
                end
            keep(showing, id, address)
          end
        end

        def keep(showing, rendition_id, address)
          write do
            rows(:showings).where(id: showing[:id]).update(
              uploads: Store::Database.with(:uploads, rendition_id => address),
              preparing_until: environment.now + environment.settings.lease
            )
            attempt(showing, "picture", address)
          end
        end

        def done(showing)
          write { rows(:showings).where(id: showing[:id]).update(preparing_until: nil, fault: "") }
          true
        end

        # The channel's lock comes before the post's.
        def gone_stale(showing, channel)
          write do
            Store::Locks.for_channel(scope, channel[:id])
            Channels::Lapse.call(environment, member, channel_id: channel[:id])
            Store::Locks.for_posts(scope, [showing[:post_id]])
            refresh_stage([showing[:post_id]]) if end_in_trouble(:stop, showing, lapsed_sentence(channel))
          end
          false
        end

        # What was approved cannot go out any more; something else does not go out in its place.
        def spoiled(showing, channel, error)
          trouble(:stop, showing, "A file of it, as made for #{channel[:name]}, #{error.message}. It was not sent.")
          false
        end

        def put_off(showing, release, error)
          words = "The network could not be reached before sending: #{error.message}"
          wait = Core::Dispatch::Patience.wait(showing[:tries] + 1)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            if too_late?(release, wait)
              late =
                "#{words} It would be more than #{Core::Dispatch::Patience::TOLERANCE / 60} minutes late, so it was " \
                  "not sent."
              refresh_stage([showing[:post_id]]) if end_in_trouble(:stop, showing, late)
            else
              wait_longer(showing, release, wait, "later", words)
            end
          end
          false
        end

        def broken(showing, release, error)
          write do
            Store::Locks.for_posts(scope, [showing[:post_id]])
            keep_broken(nil, showing, release, Fault.sentence(error))
          end
          false
        end
      end
    end
  end
end
