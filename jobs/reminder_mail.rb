# frozen_string_literal: true

module AskFirst
  module Jobs
    # Reminds somebody of the client's side of all that waits for them.
    class ReminderMail < Base
      self.priority = 50

      def run(workspace_id, person_id)
        App::Signoff::MailReminder.call(kit, process(workspace_id), person_id: person_id)
      end
    end
  end
end
