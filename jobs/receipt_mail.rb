# frozen_string_literal: true

module AskFirst
  module Jobs
    # Mails somebody of the client's side what they said yes to.
    class ReceiptMail < Base
      self.priority = 50

      def run(workspace_id, receipt_id)
        App::Signoff::MailReceipt.call(kit, process(workspace_id), receipt_id: receipt_id)
      end
    end
  end
end
