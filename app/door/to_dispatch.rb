# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Showings and holds.
      module ToDispatch
        # @param lock [Boolean, Symbol] :sending takes every lock as the dispatcher does
        # @param stand [Boolean] whether the post's verdicts are loaded
        def showing(input, lock: false, stand: false)
          agency_only!("This showing")
          row = find(:showings, input[:showing_id], "This showing")
          raise Core::NotFound, "This showing" unless sees?([row[:channel_id]])

          through_locks(row, lock)
          row = scope.rows(:showings).where(id: row[:id]).for_update.first if lock
          posts = stand ? Store::Posts::PostState.load(scope, [row[:post_id]], now) : {}
          require!(@act, on: touching(channel_ids: [row[:channel_id]]))
          Opened.new(row: row, posts: posts, channel_ids: [row[:channel_id]])
        end

        # Many of one client at once; whoever may not touch one of them touches none.
        def showings(input, lock: false)
          agency_only!("This showing")
          ids = input[:showing_ids].uniq
          known = ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) }
          found = scope.rows(:showings).where(id: known).order(:id)
          seen = found.select(:id, :post_id, :channel_id).all.select { |row| sees?([row[:channel_id]]) }
          raise Core::NotFound, "This showing" if seen.size < ids.size

          Store::Locks.for_posts(scope, seen.map { |row| row[:post_id] }.uniq) if lock
          channel_ids = seen.map { |row| row[:channel_id] }.uniq
          require!(@act, on: touching(channel_ids: channel_ids))
          Opened.new(rows: lock ? found.for_update.all : found.all, posts: {}, channel_ids: channel_ids)
        end

        # A hold on a channel is that channel's; one on the client is for whoever is not limited.
        def hold(input, whole:)
          agency_only!("This hold")
          row = find(:holds, input[:hold_id], "This hold")
          raise Core::NotFound, "This hold" unless row[:channel_id].nil? || sees?([row[:channel_id]])

          row[:channel_id] ? require!(@act, on: touching(channel_ids: [row[:channel_id]])) : require!(whole)
          Opened.new(row: row, channel_ids: [row[:channel_id]].compact)
        end

        private

        def through_locks(row, lock)
          if lock == :sending
            return Store::Locks.for_sending(scope, channel_id: row[:channel_id], post_id: row[:post_id], moves: true)
          end

          Store::Locks.for_posts(scope, [row[:post_id]]) if lock
        end
      end
    end
  end
end
