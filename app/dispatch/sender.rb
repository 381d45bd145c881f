# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Who sends: one process of the dispatcher, with a beat that the others and the alarm listen for. What it claims
      # it holds by a lease token, which is gone when its lease runs out or when the process was frozen in between.
      class Sender
        # Where a claim began: the beat's count and the moment. Times of the clock that runs on while a machine sleeps.
        Grip = Struct.new(:beats, :at, keyword_init: true)

        attr_reader :id

        # @param name [String] machine and process
        # @param clock [#call] seconds
        def initialize(kit, name:, clock: -> { Process.clock_gettime(Process::CLOCK_BOOTTIME) })
          @kit = kit
          @id = Core::Uuid.v7(kit.now)
          @name = name
          @clock = clock
          @lock = Mutex.new
          @unbroken = 0 # how often the beat was broken: what was claimed before is not held any more
          @beat_at = @clock.call
          @marking = Marking.new(kit, process: @id, notices: true)
        end

        # The one that had this name before has ended: whoever keeps us up starts us only then.
        def begin
          @kit.db[:dispatchers].where(name: @name, stopped_at: nil).exclude(id: @id).update(stopped_at: @kit.now)
          beat
        end

        # Called every Core::Dispatch::Lease::BEAT_EVERY seconds.
        def beat
          at = @clock.call
          gap = @kit.clock.gap(@kit.db)
          heard(at)
          row = { id: @id, name: @name, started_at: @kit.now, beat_at: @kit.now, clock_gap: gap }
          @kit.db[:dispatchers].insert_conflict(target: :id, update: { beat_at: row[:beat_at], clock_gap: gap }).insert(
            row
          )
          @marking.call
        end

        # It goes in order: nobody needs to wait for its beat to be missed.
        def stop
          @kit.db[:dispatchers].where(id: @id).update(stopped_at: @kit.now)
        end

        # @see Marking#within
        def marking(&) = @marking.within(&)

        def lease_token
          @lock.synchronize { Grip.new(beats: @unbroken, at: @clock.call) }
        end

        # Looked at directly before a create.
        # @return [Boolean] whether what was claimed with this lease token may still be begun
        def holds?(lease_token)
          now = @clock.call
          @lock.synchronize do
            lease_token.beats == @unbroken &&
              Core::Dispatch::Lease.holds?(
                since_claim: now - lease_token.at,
                since_beat: now - @beat_at,
                lease: @kit.settings.lease,
                timeout: @kit.settings.network_timeout
              )
          end
        end

        private

        def heard(at)
          @lock.synchronize do
            @unbroken += 1 if at - @beat_at > Core::Dispatch::Lease::STILL_HERE
            @beat_at = at
          end
        end
      end
    end
  end
end
