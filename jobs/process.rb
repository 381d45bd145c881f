# frozen_string_literal: true

require "que"
require "semantic_logger"

module AskFirst
  module Jobs
    # The dispatcher process: works the queue, and sweeps the rows every few seconds. TERM lets running jobs finish. When
    # the database goes away it ends; its keeper (bin/dispatcher) starts it again.
    class Process
      WORKERS = 6
      SWEEP_EVERY = 2

      def self.run(settings)
        new(settings).run
      end

      def initialize(settings)
        @settings = settings
        @kit = Kits.build(settings, settings.jobs_url, pool: WORKERS + 8)
        Base.kit = @kit
        Que.connection = @kit.db
        Que.logger = SemanticLogger["Que"]
        @stop = false
      end

      def run
        %w[TERM INT].each { |signal| trap(signal) { @stop = true } }
        locker = Que::Locker.new(worker_priorities: [nil] * WORKERS, poll_interval: @settings.poll, maximum_buffer_size: 50)
        until @stop
          App::Dispatch::Sweep.call(@kit)
          App::Channels::Renew.call(@kit)
          nap(SWEEP_EVERY)
        end
        locker.stop!
      end

      private

      def nap(seconds)
        (seconds / 0.1).to_i.times { @stop ? return : sleep(0.1) }
      end
    end
  end
end
