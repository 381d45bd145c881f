# frozen_string_literal: true

require "que"
require "semantic_logger"

module AskFirst
  module Jobs
    # The dispatcher process: works the queue, sweeps the rows every few seconds, renews connections. TERM lets running jobs
    # finish. When the database goes away it ends; its keeper (bin/dispatcher) starts it again.
    class Process
      WORKERS = 6
      # Three take only what is due or addressed to people: a page that does not answer must not hold up what goes out.
      PRIORITIES = [50, 50, 50, nil, nil, nil].freeze
      SWEEP_EVERY = 2
      RENEW_EVERY = 10

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
        locker = Que::Locker.new(worker_priorities: PRIORITIES, poll_interval: @settings.poll, maximum_buffer_size: 50)
        renewing = Thread.new { renew }
        until @stop
          App::Dispatch::Sweep.call(@kit)
          nap(SWEEP_EVERY)
        end
        renewing.join
        locker.stop!
      end

      private

      # Beside the sweep: a network that is slow to give new tokens must not hold up what is due.
      def renew
        until @stop
          begin
            App::Channels::Renew.call(@kit)
          rescue Sequel::Error => e
            SemanticLogger["Renew"].warn("the database is away", e)
          end
          nap(RENEW_EVERY)
        end
      end

      def nap(seconds)
        (seconds / 0.1).to_i.times { @stop ? return : sleep(0.1) }
      end
    end
  end
end
