# frozen_string_literal: true

require "que"

module AskFirst
  module Jobs
    # Puts later work into the database, in the transaction of the act that wants it. Our times are translated to the
    # machine's.
    class Queue
      def initialize(clock)
        @clock = clock
      end

      # ask_mail(workspace_id, ask_id, person_id, at:) and so on: one method for each job of ActJobs, with the client
      # and the arguments of its act in the order of the table.
      ActJobs.methods_of_queue.each do |method, job|
        told = ActJobs::TABLE.fetch(job).last
        define_method(method) do |workspace_id, *values, at:|
          raise ArgumentError, "#{method} is told #{told.join(", ")}" if values.size != told.size

          enqueue(Jobs.const_get(job), workspace_id, *values, at: at)
        end
      end

      def verify(workspace_id, showing_id, at:, look: 1)
        enqueue(VerifyShowing, workspace_id, showing_id, look, at: at)
      end

      # @param at [Hash{String=>Time}] showing => when it is looked at for the first time
      def verify_all(workspace_id, at)
        at
          .group_by(&:last)
          .each do |time, showings|
            Que.bulk_enqueue(job_options: { run_at: @clock.machine_time(time) }) do
              showings.map(&:first).each { |showing_id| VerifyShowing.enqueue(workspace_id, showing_id, 1) }
            end
          end
      end

      def notice_mail(person_id, at:)
        enqueue(NoticeMail, person_id, at: at)
      end

      # @param sealed [String] the mail's parts as JSON, encrypted
      def sealed_mail(to, sealed, at:)
        enqueue(SealedMail, to, [sealed].pack("m0"), at: at)
      end

      def purge_client(workspace_id, at:)
        enqueue(PurgeClient, workspace_id, at: at)
      end

      def run_batch(workspace_id, batch_id, at:)
        enqueue(RunBatch, workspace_id, batch_id, at: at)
      end

      private

      def enqueue(job, *arguments, at:)
        job.enqueue(*arguments, job_options: { run_at: @clock.machine_time(at) })
      end
    end
  end
end
