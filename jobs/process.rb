# frozen_string_literal: true

require "que"
require "semantic_logger"
require "socket"

module AskFirst
  module Jobs
    # The dispatcher process: sends what is due, works the queue, renews connections, and beats for all to hear. TERM
    # lets what was begun end. When the database goes away it ends; its keeper (bin/dispatcher) starts it again.
    class Process
      WORKERS = 6
      # Three take only what is due or addressed to people: a page that does not answer must not hold up the others.
      PRIORITIES = [50, 50, 50, nil, nil, nil].freeze
      CONNECTIONS = WORKERS + Dispatching::HELPERS + 10
      FROZEN = 5 # seconds until the database ends a transaction of ours in which nothing happens
      RENEW_EVERY = 10
      MEND_EVERY = 10
      BEGIN_EVERY = 60 # drafts that fixtures make by themselves
      FETCH_EVERY = 10
      MARKS_KEPT = 86_400 # seconds that the last mark of a process that has ended is kept

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
        @kit = Kits.build(settings, settings.jobs_url, pool: CONNECTIONS, idle: FROZEN)
        Base.kit = @kit
        Que.connection = @kit.db
        Que.logger = SemanticLogger["Que"]
        @stop = false
      end

      def run
        %w[TERM INT].each { |signal| trap(signal) { @stop = true } }
        @sender =
          App::Dispatch::Sender.new(
            @kit,
            name: "#{Socket.gethostname[0, 80]} #{ENV.fetch("ASK_FIRST_DISPATCHER", ::Process.pid)}"
          )
        @sender.begin
        @dispatching = Dispatching.new(@kit, @sender)
        @replies = App::Talk::FetchReplies.new(@kit)
        locker = Que::Locker.new(worker_priorities: PRIORITIES, poll_interval: @settings.poll, maximum_buffer_size: 50)
        beside = [
          every(Core::Dispatch::Lease::BEAT_EVERY) { beat },
          every(RENEW_EVERY) { App::Channels::Renew.call(@kit) },
          every(MEND_EVERY) { mend },
          every(BEGIN_EVERY) { beside_sending },
          every(FETCH_EVERY) { fetch_replies }
        ]
        @dispatching.run
        [*beside].each(&:join)
        locker.stop!
        @sender.stop
      end

      private

      def beat
        @sender.beat
        @dispatching.look_ahead
      end

      def mend
        Store::Dispatch::Due.mend(@kit.db)
        Store::Dispatch::Lineage.forget(@kit.db, @kit.now - MARKS_KEPT)
      end

      def beside_sending
        unharmed { App::Media::ForgetUploads.call(@kit) }
        unharmed { App::Ideas::ReadFeeds.call(@kit) }
        unharmed do
          App::Plan::BeginFixtures.call(@kit)
          App::Signoff::RemindAsks.call(@kit)
          App::Record::Seal.all(@kit)
        end
      end

      def fetch_replies
        unharmed do
          @replies.call
        rescue Edge::Mail::Inbox::Away => e
          SemanticLogger["Answers by mail"].warn(e.message)
        end
      end

      # What is wrong with one fixture, one ask or one mail must not end the process that sends.
      def unharmed
        yield
      rescue Sequel::DatabaseDisconnectError, Sequel::DatabaseConnectionError
        raise
      rescue StandardError => e
        SemanticLogger["Beside the sending"].error(e)
      end

      # Beside the sending: a network that is slow to give new tokens must not hold up what is due.
      def every(seconds)
        Thread.new do
          Thread.current.abort_on_exception = true
          until @stop
            yield
            nap(seconds)
          end
          @dispatching.stop
        end
      end

      def nap(seconds)
        (seconds / 0.1).to_i.times { @stop ? return : sleep(0.1) }
      end
    end
  end
end
