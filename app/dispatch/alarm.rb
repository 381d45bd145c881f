# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # What is wrong with the sending itself, in one sentence for the Desk: no dispatcher is heard of while something
      # waits to go out or is half sent, one of several is silent, clocks differ, or something is past its time; and,
      # where nothing of that is wrong, that there is no worker for what else waits.
      class Alarm
        SILENT = 10 # seconds without a heartbeat
        WORKER_SILENT = 30
        DAY = 86_400
        SOON = 3_600 # what is planned within these counts as waiting
        LATE = 60 # past its time and not sent, while dispatchers are there
        FORGOTTEN = 3_600 # a silent one beside others that go on is told for this long

        # @param scope [Store::Scope] over one or many workspaces of the agency side
        # @return [String, nil]
        def self.of(environment, scope)
          scope.transaction { new(environment, scope).sentence }
        end

        def initialize(environment, scope)
          @environment = environment
          @scope = scope
          @now = environment.now
        end

        # @return [String, nil]
        def sentence
          Returned.alarm(@environment, @scope) || sending || working
        end

        private

        def sending
          return waiting? ? nobody : nil if alive.empty?
          return waiting? ? clocks : nil if able.empty?

          one_silent || one_off || late
        end

        # Jobs' times are the machine's.
        def working
          return if Store::Dispatch::Workers.running(@environment.db, @now - WORKER_SILENT).any?
          return unless Store::Dispatch::Workers.waiting?(@environment.db, @environment.clock.machine_time(@now - LATE))

          last = Store::Dispatch::Workers.last(@environment.db)
          since = last ? "has been heard of since #{time(last)}" : "has started yet"
          "No worker #{since}: mails, reminders, pictures and feeds wait. What is released still goes out."
        end

        def known
          @known ||=
            begin
              since = @now - DAY
              @environment.db[:dispatchers]
                .where(stopped_at: nil)
                .where { heartbeat_at > since }
                .order(:heartbeat_at)
                .all
            end
        end

        def alive = @alive ||= known.select { |one| @now - one[:heartbeat_at] < SILENT }
        def able = @able ||= alive.select { |one| one[:clock_gap].abs <= Claim::CLOCK_GAP }

        # Planned for soon, or being sent by somebody who may be gone: its end is not known.
        def waiting?
          first = Store::Dispatch::Unsent.planned(@scope, @now, 1).first
          (first && first[:at] < @now + SOON) || Store::Dispatch::Unsent.under_way(@scope, 1, %w[sending unclear]).any?
        end

        def nobody
          last = @environment.db[:dispatchers].reverse(:heartbeat_at).first
          return "The dispatcher has not started yet; nothing goes out until it has." if last.nil?

          "The dispatcher has been silent since #{time(last[:heartbeat_at])}; nothing goes out until it is back."
        end

        def clocks
          "The clocks of the database and of the dispatcher are #{gap(alive.first)} s apart; nothing is sent until " \
            "they agree."
        end

        def one_silent
          gone = (known - alive).reverse.find { |one| @now - one[:heartbeat_at] < FORGOTTEN } or return
          since = time(gone[:heartbeat_at])
          "One dispatcher (#{gone[:name]}) has been silent since #{since}; #{others(alive.size)} on."
        end

        def one_off
          off = (alive - able).first or return
          "The clock of one dispatcher (#{off[:name]}) is #{gap(off)} s off, so it sends nothing; " \
            "#{others(able.size)} on."
        end

        def late
          count = Store::Dispatch::Due.late(@scope, @now - LATE)
          return if count.zero?

          "#{count == 1 ? "One post is" : "#{count} posts are"} more than a minute past " \
            "#{count == 1 ? "its" : "their"} time and not sent yet."
        end

        def others(count) = count == 1 ? "another one goes" : "#{count} others go"
        def time(at) = "#{at.strftime("%H:%M:%S")} UTC"
        def gap(one) = one[:clock_gap].abs.to_f.round(1)
      end
    end
  end
end
