# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Which workers there are, and what waits for one.
      module Workers
        module_function

        def heartbeat(db, id, name, now)
          db[:workers].insert_conflict(target: :id, update: { heartbeat_at: now }).insert(
            id: id,
            name: name,
            started_at: now,
            heartbeat_at: now
          )
        end

        # @param of [Hash] id: or name: of those that have ended
        def stop(db, now, **of) = db[:workers].where(stopped_at: nil, **of).update(stopped_at: now)

        # @param since [Time]
        # @return [Array<Hash>] those that have not ended and were heard of since, the latest heartbeat last
        def running(db, since) =
          db[:workers].where(stopped_at: nil).where { heartbeat_at > since }.order(:heartbeat_at).all

        # @return [Time, nil] the last heartbeat of any
        def last(db) = db[:workers].max(:heartbeat_at)

        # @param before [Time] of the machine's clock, as jobs' times are
        # @return [Boolean] whether work has been due since then and not been done
        def waiting?(db, before)
          db.get(Sequel.function(:later_work_waits, before))
        end

        # @param before [Time]
        def forget(db, before) = db[:workers].where { heartbeat_at < before }.delete
      end
    end
  end
end
