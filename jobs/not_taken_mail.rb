# frozen_string_literal: true

module AskFirst
  module Jobs
    # Tells somebody of the client's side that what they wrote by mail reached nobody.
    class NotTakenMail < Base
      self.priority = 50

      def run(workspace_id, reply_id)
        App::Talk::MailNotTaken.call(kit, process(workspace_id), reply_id: reply_id)
      end
    end
  end
end
