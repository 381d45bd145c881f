# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Who sends: one process of the dispatcher, with a heartbeat that the others and the alarm listen for. What it
      # claims it holds by a lease token, which is gone when its lease runs out or when the process was frozen
      # meanwhile.
      class Sender
        # Where a claim began: how often the heartbeat had been broken, and the moment. Times of the clock that runs on
        # while a machine sleeps.
        LeaseToken = Struct.new(:breaks, :at, keyword_init: true)

        attr_reader :id

        # @param name [String] machine and process
        # @param clock [#call] seconds
        def initialize(environment, name:, clock: -> { Process.clock_gettime(Process::CLOCK_BOOTTIME) })
          @environment = environment
          @id = Core::Uuid.v7(environment.now)
          @name = name
          @clock = clock
          @lock = Mutex.new
          @breaks = 0 # how often the heartbeat was broken: what was claimed before is not held any more
          @heartbeat_at = @clock.call
          @watermarking = Watermarking.new(environment, process: @id, notices: true)
        end

        # The one that had this name before has ended: whoever keeps us up starts us only then.
        def begin
          @environment.db[:dispatchers]
            .where(name: @name, stopped_at: nil)
            .exclude(id: @id)
            .update(stopped_at: @environment.now)
          heartbeat
        end

        # Called every Core::Dispatch::Lease::HEARTBEAT_EVERY seconds.
        def heartbeat
          at = @clock.call
          gap = @environment.clock.gap(@environment.db)
          heard(at)
          row = { id: @id, name: @name, started_at: @environment.now, heartbeat_at: @environment.now, clock_gap: gap }
          @environment.db[:dispatchers].insert_conflict(
            target: :id,
            update: {
              heartbeat_at: row[:heartbeat_at],
              clock_gap: gap
            }
          ).insert(row)
          @watermarking.call
        end

        # It goes in order: nobody needs to wait for its heartbeat to be missed.
        def stop
          @environment.db[:dispatchers].where(id: @id).update(stopped_at: @environment.now)
        end

        # @see Watermarking#within
        def watermarked(&) = @watermarking.within(&)

        def lease_token
          @lock.synchronize { LeaseToken.new(breaks: @breaks, at: @clock.call) }
        end

        # Looked at directly before a create.
        # @return [Boolean] whether what was claimed with this lease token may still be begun
        def holds?(lease_token)
          now = @clock.call
          @lock.synchronize do
            lease_token.breaks == @breaks &&
              Core::Dispatch::Lease.holds?(
                since_claim: now - lease_token.at,
                since_heartbeat: now - @heartbeat_at,
                lease: @environment.settings.lease,
                timeout: @environment.settings.network_timeout
              )
          end
        end

        private

        def heard(at)
          @lock.synchronize do
            @breaks += 1 if at - @heartbeat_at > Core::Dispatch::Lease::STILL_HERE
            @heartbeat_at = at
          end
        end
      end
    end
  end
end
