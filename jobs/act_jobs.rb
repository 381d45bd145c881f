# frozen_string_literal: true

module AskFirst
  module Jobs
    # The jobs that do nothing but call one act of a client: what each calls, how soon, and what it is told beside the
    # client. Their classes are made of this table; what else a job does stands in a file of its name.
    module ActJobs
      # job => priority (the smaller the sooner; up to Worker::URGENT somebody waits in front of it), act, its arguments
      TABLE = {
        PinMail: [10, "Signoff::MailPin", %i[visit_id]],
        WrongPinsMail: [10, "Signoff::MailWrongPins", %i[person_id tries]],
        ReleaseCleared: [20, "Dispatch::ReleaseCleared", %i[post_ids]],
        RefreshAsked: [30, "Signoff::RefreshAsked", %i[person_id]],
        RefreshChannel: [30, "Signoff::RefreshChannel", %i[channel_id]],
        AskMail: [40, "Signoff::MailAsk", %i[ask_id person_id]],
        InvitationMail: [40, "People::MailInvitation", %i[invitation_id]],
        NotTakenMail: [50, "Talk::MailNotTaken", %i[reply_id]],
        ReadMedium: [50, "Media::ReadMedium", %i[media_id]],
        ReceiptMail: [50, "Signoff::MailReceipt", %i[receipt_id]],
        ReminderMail: [50, "Signoff::MailReminder", %i[person_id]],
        TalkMail: [50, "Talk::MailTalk", %i[person_id]],
        ReadLink: [60, "Posts::ReadLink", %i[reading_id]],
        RenderAhead: [60, "Media::RenderAhead", %i[post_id]],
        CompareFiles: [70, "Dispatch::CompareFiles", %i[showing_id]],
        MakeFilm: [70, "Media::MakeFilm", %i[edit_id]],
        ReadFeed: [70, "Feeds::ReadFeed", %i[feed_id]],
        LookAtLinks: [80, "Checks::LookAtLinks", %i[post_id]]
      }.freeze

      # @param act [String] a constant below App, looked up when the job runs
      # @return [Class] a job; its name is that of the constant that it is given to
      def self.job(priority, act, told)
        Class.new(Base) do
          self.priority = priority
          define_method(:run) do |workspace_id, *values|
            App.const_get(act).call(environment, process(workspace_id), **told.zip(values).to_h)
          end
        end
      end
      private_class_method :job

      TABLE.each { |name, facts| Jobs.const_set(name, job(*facts)) }

      # @return [Hash{Symbol=>Symbol}] method of the queue => job, as in ask_mail => AskMail
      def self.methods_of_queue
        TABLE.keys.to_h { |name| [name.to_s.gsub(/(?<=.)[A-Z]/) { |letter| "_#{letter}" }.downcase.to_sym, name] }
      end
    end
  end
end
