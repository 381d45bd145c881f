# frozen_string_literal: true

# A process like the dispatcher's, with nothing but the queue.
require_relative "../config/boot"
require_relative "empty_job"

settings = AskFirst::Settings.from(ENV)
Que.connection = AskFirst::Store::Database.connect(settings.jobs_url, pool: AskFirst::Jobs::Process::WORKERS + 8)
Que::Locker.new(worker_priorities: [nil] * AskFirst::Jobs::Process::WORKERS, poll_interval: settings.poll, maximum_buffer_size: 50)
stop = false
trap("TERM") { stop = true }
sleep 0.1 until stop
