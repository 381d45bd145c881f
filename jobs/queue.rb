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

      def compare_files(workspace_id, showing_id, at:)
        enqueue(CompareFiles, workspace_id, showing_id, at: at)
      end

      def ask_mail(workspace_id, ask_id, person_id, at:)
        enqueue(AskMail, workspace_id, ask_id, person_id, at: at)
      end

      def reminder_mail(workspace_id, person_id, at:)
        enqueue(ReminderMail, workspace_id, person_id, at: at)
      end

      def pin_mail(workspace_id, visit_id, at:)
        enqueue(PinMail, workspace_id, visit_id, at: at)
      end

      # @param tries [Integer] how many there were
      def wrong_pins_mail(workspace_id, person_id, tries, at:)
        enqueue(WrongPinsMail, workspace_id, person_id, tries, at: at)
      end

      def receipt_mail(workspace_id, receipt_id, at:)
        enqueue(ReceiptMail, workspace_id, receipt_id, at: at)
      end

      def talk_mail(workspace_id, person_id, at:)
        enqueue(TalkMail, workspace_id, person_id, at: at)
      end

      def not_taken_mail(workspace_id, reply_id, at:)
        enqueue(NotTakenMail, workspace_id, reply_id, at: at)
      end

      def invitation_mail(workspace_id, invitation_id, at:)
        enqueue(InvitationMail, workspace_id, invitation_id, at: at)
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

      def look_at_links(workspace_id, post_id, at:)
        enqueue(LookAtLinks, workspace_id, post_id, at: at)
      end

      def refresh_channel(workspace_id, channel_id, at:)
        enqueue(RefreshChannel, workspace_id, channel_id, at: at)
      end

      def refresh_asked(workspace_id, person_id, at:)
        enqueue(RefreshAsked, workspace_id, person_id, at: at)
      end

      def release_cleared(workspace_id, post_ids, at:)
        enqueue(ReleaseCleared, workspace_id, post_ids, at: at)
      end

      def run_batch(workspace_id, batch_id, at:)
        enqueue(RunBatch, workspace_id, batch_id, at: at)
      end

      def read_link(workspace_id, reading_id, at:)
        enqueue(ReadLink, workspace_id, reading_id, at: at)
      end

      def read_medium(workspace_id, media_id, at:)
        enqueue(ReadMedium, workspace_id, media_id, at: at)
      end

      def render_ahead(workspace_id, post_id, at:)
        enqueue(RenderAhead, workspace_id, post_id, at: at)
      end

      def make_film(workspace_id, edit_id, at:)
        enqueue(MakeFilm, workspace_id, edit_id, at: at)
      end

      def read_feed(workspace_id, feed_id, at:)
        enqueue(ReadFeed, workspace_id, feed_id, at: at)
      end

      private

      def enqueue(job, *arguments, at:)
        job.enqueue(*arguments, job_options: { run_at: @clock.machine_time(at) })
      end
    end
  end
end
