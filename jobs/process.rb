# frozen_string_literal: true

require "que"
require "semantic_logger"
require "socket"

module AskFirst
  module Jobs
    # What the dispatcher's process and the worker's have in common: an environment, threads that do something again and
    # again, and an end. TERM lets what was begun end. When the database goes away the process ends; its keeper (Setup::Keeper)
    # starts it again.
    class Process
      MARKS_KEPT = 86_400 # seconds that the last heartbeat of a process that has ended is kept

      # Ends at once when it fails: an orderly end waits for threads, and they may wait for a database that is gone, for
      # ever. What was begun is found by whoever comes next, as after any other death.
      def self.run(settings)
        new(settings).run
      rescue StandardError => e
        warn e.full_message(highlight: false)
        ::Process.exit!(1)
      end

      def initialize(settings)
        @settings = settings
        @environment = environment
        Base.environment = @environment
        Que.connection = @environment.db
        Que.logger = SemanticLogger["Que"]
        @stop = false
      end

      private

      def stop_when_told
        %w[TERM INT].each { |signal| trap(signal) { @stop = true } }
      end

      # Machine and process; the keeper's number where there is one, so that whoever has the name knows that the one
      # before has ended.
      def name = "#{Socket.gethostname[0, 80]} #{ENV.fetch("ASK_FIRST_KEEPER", ::Process.pid)}"

      # @yield at once, and so many seconds after it has ended, until the process is told to stop
      # @return [Thread]
      def every(seconds)
        Thread.new do
          Thread.current.abort_on_exception = true
          until @stop
            yield
            nap(seconds)
          end
        end
      end

      def nap(seconds)
        (seconds / 0.1).to_i.times { @stop ? return : sleep(0.1) }
      end
    end
  end
end
