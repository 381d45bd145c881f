# frozen_string_literal: true

module AskFirst
  module Jobs
    # The process that does everything that happens later, but for the sending: the queue (mails, reminders, batches,
    # renditions, films, feeds), what comes back by itself, connections that are renewed, mails that come in. Any number
    # of them may run. What came from outside they read in the sandbox.
    class Worker < Process
      # Three take only what is addressed to people: a page that does not answer must not hold up the others.
      PRIORITIES = [50, 50, 50, nil, nil, nil].freeze
      WORKERS = PRIORITIES.size
      CONNECTIONS = WORKERS + 8
      # It stands back behind the sending on the same machine, and its readings a little more (POSIX nice values).
      NICE = 10
      NICE_READINGS = 12
      URGENT = 30 # priority up to which a job does not wait while posts go out: somebody waits in front of it
      HEARTBEAT_EVERY = 2
      RENEW_EVERY = 10
      SELDOM = 60
      FETCH_EVERY = 10

      def run
        stop_when_told
        ::Process.setpriority(::Process::PRIO_PROCESS, 0, NICE)
        @sandbox.warm
        heartbeat = App::Dispatch::WorkerHeartbeat.new(@environment, name: name)
        heartbeat.begin
        replies = App::Talk::FetchReplies.new(@environment)
        give_way
        @turns = Core::Dispatch::Turns.new
        queue = Que::Locker.new(worker_priorities: PRIORITIES, poll_interval: @settings.poll, maximum_buffer_size: 50)
        [
          every(HEARTBEAT_EVERY) { heartbeat.call },
          every(App::Dispatch::GiveWay::LOOK_EVERY) { pace },
          every(RENEW_EVERY) { unharmed { App::Channels::Renew.call(@environment) } },
          every(SELDOM) { seldom },
          every(FETCH_EVERY) { fetch(replies) }
        ].each(&:join)
        @sandbox.go_on # what was begun ends
        queue.stop!
        heartbeat.stop
        @sandbox.stop
      end

      private

      def environment
        @sandbox = Environments.sandbox(@settings, nice: NICE_READINGS)
        Environments.build(@settings, @settings.jobs_url, pool: CONNECTIONS, sandbox: @sandbox)
      end

      # The middleware of Que is the process's: the dispatcher has none.
      def give_way
        Que.job_middleware.push(
          lambda do |job, &run|
            App::Dispatch::GiveWay.call(@environment) if job.que_attrs[:priority] > URGENT
            run.call
          end
        )
      end

      # What is being read stops where it is while posts go out.
      def pace
        rests =
          @turns.rest?(App::Dispatch::GiveWay.now?(@environment), ::Process.clock_gettime(::Process::CLOCK_MONOTONIC))
        rests ? @sandbox.pause : @sandbox.go_on
      end

      def seldom
        App::Dispatch::GiveWay.call(@environment)
        unharmed { App::Media::ForgetUploads.call(@environment) }
        unharmed { App::Feeds::ReadFeeds.call(@environment) }
        unharmed do
          App::Plan::BeginFixtures.call(@environment)
          App::Signoff::RefreshDue.all(@environment)
          App::Dispatch::TellOfRights.all(@environment)
          App::Signoff::RemindAsks.call(@environment)
          App::Record::Seal.all(@environment)
        end
        unharmed { Store::Dispatch::Workers.forget(@environment.db, @environment.now - MARKS_KEPT) }
      end

      def fetch(replies)
        App::Dispatch::GiveWay.call(@environment)
        unharmed do
          replies.call
        rescue Edge::Mail::Inbox::Away => e
          SemanticLogger["Answers by mail"].warn(e.message)
        end
      end

      # What is wrong with one fixture, one ask or one mail must not end the others.
      def unharmed
        yield
      rescue *Store::Failures::AWAY
        raise
      rescue StandardError => e
        SemanticLogger["Worker"].error(e)
      end
    end
  end
end
