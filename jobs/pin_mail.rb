# frozen_string_literal: true

module AskFirst
  module Jobs
    # Mails the PIN for a guest's new device, at once: somebody waits in front of it.
    class PinMail < Base
      self.priority = 10

      def run(workspace_id, visit_id)
        App::Signoff::MailPin.call(kit, process(workspace_id), visit_id: visit_id)
      end
    end
  end
end
