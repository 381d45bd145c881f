# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Reads the rows, not the jobs, so that a lost job loses nothing. Runs every few seconds in the dispatcher.
      class Sweep
        GRACE = 3 # seconds past due before the job is taken as lost

        def self.call(kit)
          new(kit).call
        end

        def initialize(kit)
          @kit = kit
        end

        # @return [Integer] how many showings were put back into the queue
        def call
          beat
          stranded.each { |row| @kit.queue.advance(row[:workspace_id], row[:id], at: @kit.now) }.size
        end

        private

        def beat
          row = { id: 1, beat_at: @kit.now, clock_gap: @kit.clock.gap(@kit.db) }
          @kit.db[:dispatcher_beats].insert_conflict(target: :id, update: row).insert(row)
        end

        # Due, and no job will come for it. The partial index holds only what is unsent.
        def stranded
          late = @kit.now - GRACE
          @kit.db[:showings].where(state: %w[planned sending unclear])
                            .left_join(:releases, workspace_id: :workspace_id, showing_id: :id, ended_at: nil)
                            .where do
            (Sequel.expr(state: "planned") & (Sequel[:releases][:at] < late)) |
              (Sequel.expr(state: "sending") & (lease_until < late)) |
              (Sequel.expr(state: "unclear") & (next_look_at < late))
          end
                            .exclude(job_waiting.exists).select(Sequel[:showings][:workspace_id], Sequel[:showings][:id]).limit(500).all
        end

        # A job that waits for the far future (a later look) does not count.
        def job_waiting
          soon = @kit.clock.machine_time(@kit.now) + 60
          @kit.db[:que_jobs].where(finished_at: nil, expired_at: nil)
                            .where(Sequel.lit("que_jobs.args ->> 1 = showings.id::text")).where { run_at < soon }.select(1)
        end
      end
    end
  end
end
