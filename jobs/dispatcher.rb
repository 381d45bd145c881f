# frozen_string_literal: true

module AskFirst
  module Jobs
    # The process that sends: claims what is due, sends it, looks whether it is there, with a heartbeat for all to hear.
    # Nothing else runs in it, and nothing that came from outside is parsed in it but what a network answers to a send
    # or a look; what else happens later is the worker's.
    class Dispatcher < Process
      LOOKERS = [nil, nil, nil].freeze # priorities that each takes: any
      # one for whoever may be at the database at once: a heartbeat that waits for one would lose what was claimed
      CONNECTIONS = LOOKERS.size + Dispatching::SENDERS + Dispatching::HELPERS + 8
      FROZEN = 5 # seconds until the database ends a transaction of ours in which nothing happens
      MEND_EVERY = 10

      def run
        stop_when_told
        @sender = App::Dispatch::Sender.new(@environment, name: name)
        @sender.begin
        @dispatching = Dispatching.new(@environment, @sender)
        looking =
          Que::Locker.new(
            queues: [VerifyShowing::QUEUE],
            worker_priorities: LOOKERS,
            poll_interval: @settings.poll,
            maximum_buffer_size: 50
          )
        beside = [every(Core::Dispatch::Lease::HEARTBEAT_EVERY) { heartbeat }, every(MEND_EVERY) { mend }]
        ending = Thread.new { beside.each(&:join).then { @dispatching.stop } }
        @dispatching.run
        ending.join
        looking.stop!
        @sender.stop
      end

      private

      def environment = Environments.build(@settings, @settings.jobs_url, pool: CONNECTIONS, idle: FROZEN, sandbox: nil)

      def heartbeat
        @sender.heartbeat
        @dispatching.look_ahead
      end

      def mend
        Store::Dispatch::Due.mend(@environment.db)
        Store::Dispatch::RestoreDetection.forget(@environment.db, @environment.now - MARKS_KEPT)
      end
    end
  end
end
